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
use Illuminate\Support\Facades\DB;
use JsonException;
use LogicException;

/** A study that was handed over as a file, brought back: with the figures that it carries, or to figures of its kind. */
final class StudyFile
{
    /** Bytes of a file; with figures in it, it may hold a whole data set. */
    public const LARGEST = 40_000_000;

    /**
     * @param Dataset|null $dataset that it is carried out on; null for the figures in the file
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
            throw InvalidStudy::because('It is no study file: it is not JSON.');
        }
        $data = $document['data'] ?? null;
        unset($document['data']);
        $read = StudyDocument::read($document);
        if ($dataset === null && !is_array($data)) {
            throw InvalidStudy::at(
                'data',
                'the file carries no figures. Bring it to a data set, to be carried out on that.',
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
