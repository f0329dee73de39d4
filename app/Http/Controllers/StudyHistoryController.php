<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\RevisionWriter;
use App\Models\Study;
use App\View\SheetSize;
use App\View\StudyScreen;
use DuskRail\Chart\TextMeasure;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** Undo and redo. */
final class StudyHistoryController
{
    public function update(Request $request, Study $study, TextMeasure $measure): View
    {
        $request->validate(['step' => ['required', 'in:undo,redo']]);
        $request->string('step')->value() === 'undo' ? RevisionWriter::undo($study) : RevisionWriter::redo($study);

        return view('study.workspace', ['screen' => StudyScreen::of($study, SheetSize::of($request), $measure)]);
    }
}
