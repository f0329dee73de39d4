<?php

declare(strict_types=1);

namespace App\Data;

use App\Formats\JsonDocument;
use App\Models\Dataset;
use App\Models\Study;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\StudyDocument;
use DuskRail\Outcome\Comparison;
use DuskRail\Refusal;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use JsonException;
use LogicException;

/** A study that was handed over as a file, brought back: with the data that it carries, or to values of its kind. */
final class StudyFile
{
    /** Bytes of a file; with values in it, it may hold a whole data set. */
    public const LARGEST = 40_000_000;

    /** Bytes by which a study is told from other files. */
    private const LOOKED_AT = 65_536;

    /** Whether a file is a study, by what it begins with; it need not be a whole one. */
    public static function isOne(string $path): bool
    {
        $start = ltrim((string) file_get_contents($path, false, null, 0, self::LOOKED_AT), "\u{FEFF} \t\r\n");

        return str_starts_with($start, '{') &&
            preg_match('/"format"\s*:\s*"' . preg_quote(StudyDocument::FORMAT, '/') . '"/', $start) === 1;
    }

    /**
     * The only data set that a study without values can be of: the one that has its measure.
     *
     * @param array<array-key, mixed> $document
     */
    private static function meant(array $document): ?Dataset
    {
        $key = $document['measure'] ?? null;
        if (!is_string($key)) {
            return null;
        }
        $having = Dataset::whereHas('measures', static fn(Builder $query) => $query->where('key', $key))
            ->limit(2)
            ->get();

        return $having->count() === 1 ? $having->first() : null;
    }

    /**
     * @param Dataset|null $dataset that it is calculated on; null for the data in the file
     *
     * @throws Refusal with what is wrong and where
     */
    public static function import(string $path, string $name, ?Dataset $dataset): Study
    {
        if (filesize($path) > self::LARGEST) {
            throw InvalidStudy::because('A study file has up to 40 MB.');
        }
        try {
            $document = JsonDocument::decoded((string) file_get_contents($path));
        } catch (JsonException) {
            throw InvalidStudy::because('It is not a study file (not valid JSON).');
        }
        $data = $document['data'] ?? null;
        unset($document['data']);
        $read = StudyDocument::read($document);
        if ($dataset === null && !is_array($data)) {
            $dataset =
                self::meant($document) ??
                throw InvalidStudy::at(
                    'data',
                    'the file contains no data. Open the page of the data set that it belongs to, and open it there.',
                );
        }
        $carried = $dataset === null ? CarriedData::read((array) $data) : null;
        $sha256 = (string) hash_file('sha256', $path);

        return DB::transaction(static function () use ($read, $dataset, $carried, $name, $sha256): Study {
            $dataset ??= $carried?->store($name, $sha256) ?? throw new LogicException('Neither is there.');
            Comparison::of($read, new StoredData($dataset));

            return RevisionWriter::begin($dataset, $read);
        });
    }
}
