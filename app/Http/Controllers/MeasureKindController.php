<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Study;
use App\View\Label;
use App\View\OpenEditors;
use App\View\SheetSize;
use App\View\StudyScreen;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\MeasureKind;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;

/** What the values of a study's measure are, said where they enter the rail; it is so in all studies of the data set. */
final class MeasureKindController
{
    public function update(Request $request, Study $study, TextMeasure $text): Response
    {
        $measures = $study->dataset->measures;
        $request->validate([
            'measure' => ['required', 'string', Rule::in($measures->where('formula', '')->pluck('key'))],
            'kind' => ['required', Rule::enum(MeasureKind::class)],
            'per' => ['nullable', 'string', Rule::in($measures->pluck('key'))],
        ]);
        $measure = $measures->where('key', $request->string('measure')->value())->firstOrFail();
        $kind = MeasureKind::from($request->string('kind')->value());
        $measure->update([
            'kind' => $kind,
            'per' => $kind === MeasureKind::Rate ? $request->string('per', $measure->per)->value() : $measure->per,
        ]);
        // What was read of the data set before is of before.
        $study = Study::findOrFail($study->id);
        $screen = StudyScreen::of($study, SheetSize::of($request), $text, OpenEditors::of($request));

        return response()->view('study.workspace', [
            'screen' => $screen,
            'message' => __(':measure is a :kind now, in all studies of :name.', [
                'measure' => $measure->name,
                'kind' => Label::of($kind->meaning()),
                'name' => $study->dataset->name,
            ]),
        ]);
    }
}
