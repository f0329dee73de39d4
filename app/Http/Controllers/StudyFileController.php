<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\CarriedData;
use App\Data\RevisionWriter;
use App\Data\StoredData;
use App\Formats\JsonDocument;
use App\Models\Dataset;
use App\Models\Study;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\StudyDocument;
use DuskRail\Outcome\Comparison;
use DuskRail\Refusal;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use JsonException;
use LogicException;

/** A study that was handed over as a file, brought back to figures of its kind. */
final class StudyFileController
{
    /** Bytes of a file; with figures in it, it may hold a whole data set. */
    private const LARGEST = 40_000_000;

    /** Of a file that carries its figures, the study on those; of any other, on the data set that it is brought to. */
    public function store(Request $request, ?Dataset $dataset = null): RedirectResponse
    {
        $file = $request->file('study');
        if (!($file instanceof UploadedFile) || $file->getSize() > self::LARGEST) {
            return back()->with('message', 'Choose a study file of up to 40 MB, as “Hand over” writes it.');
        }
        ini_set('memory_limit', '1G');
        try {
            $document = JsonDocument::decoded((string) file_get_contents($file->getRealPath()));
            $data = $document['data'] ?? null;
            unset($document['data']);
            $read = StudyDocument::read($document);
            if ($dataset === null && !is_array($data)) {
                throw InvalidStudy::at(
                    'data',
                    'the file carries no figures. Bring it to a data set below, to be carried out on that.',
                );
            }
            $carried = $dataset === null ? CarriedData::read((array) $data) : null;
            $name = $file->getClientOriginalName();
            $sha256 = (string) hash_file('sha256', $file->getRealPath());
            $study = DB::transaction(static function () use ($read, $dataset, $carried, $name, $sha256): Study {
                $dataset ??= $carried?->store($name, $sha256) ?? throw new LogicException('Neither is there.');
                Comparison::of($read, new StoredData($dataset));

                return RevisionWriter::begin($dataset, $read);
            });
        } catch (JsonException) {
            return back()->with('message', "“{$file->getClientOriginalName()}” is no study file: it is not JSON.");
        } catch (Refusal $problem) {
            return back()->with(
                'message',
                "“{$file->getClientOriginalName()}” cannot be brought in. {$problem->getMessage()}",
            );
        }

        return redirect()->route('studies.show', $study);
    }
}
