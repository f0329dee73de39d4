<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\StudyFile;
use App\Models\Dataset;
use DuskRail\Refusal;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

final class StudyFileController
{
    public function store(Request $request, ?Dataset $dataset = null): RedirectResponse
    {
        $file = $request->file('study');
        if (!($file instanceof UploadedFile) || $file->getSize() > StudyFile::LARGEST) {
            return back()->with('message', __('Choose a study file of up to 40 MB from “Hand over”.'));
        }

        return self::opened($file, $dataset);
    }

    /** The study of a file; or what is wrong with it. */
    public static function opened(UploadedFile $file, ?Dataset $dataset): RedirectResponse
    {
        ini_set('memory_limit', '1G');
        $name = $file->getClientOriginalName();
        try {
            $study = StudyFile::import($file->getRealPath(), $name, $dataset);
        } catch (Refusal $problem) {
            return back()->with(
                'message',
                __('“:name” cannot be opened. :why', ['name' => $name, 'why' => $problem->getMessage()]),
            );
        }

        return redirect()->route('studies.show', $study);
    }
}
