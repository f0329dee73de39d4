<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\StoredData;
use App\Models\Dataset;
use App\Models\Study;
use DomainException;
use DuskRail\Study\Comparison;
use DuskRail\Study\StudyDocument;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use JsonException;

/** A study that was handed over as a file, brought back to figures of its kind. */
final class StudyFileController
{
    private const LARGEST = 2_000_000;

    public function store(Request $request, Dataset $dataset): RedirectResponse
    {
        $file = $request->file('study');
        if (! $file instanceof UploadedFile || $file->getSize() > self::LARGEST) {
            return back()->with('said', 'Choose a study file of up to 2 MB, as “Hand over” writes it.');
        }
        try {
            $document = json_decode((string) file_get_contents($file->getRealPath()), true, 32, JSON_THROW_ON_ERROR);
            $study = StudyDocument::read(is_array($document) ? $document : []);
            Comparison::of($study, new StoredData($dataset));
        } catch (JsonException) {
            return back()->with('said', "“{$file->getClientOriginalName()}” is no study file: it is not JSON.");
        } catch (DomainException $problem) {
            return back()->with('said', "“{$file->getClientOriginalName()}” cannot be brought in. {$problem->getMessage()}");
        }

        return redirect()->route('studies.show', Study::begin($dataset, $study));
    }
}
