<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ChangeStudyRequest;
use App\Models\Study;
use App\View\SheetSize;
use App\View\StudyScreen;
use DuskRail\Chart\TextMeasure;
use DuskRail\Rail\PlacedStop;
use DuskRail\Study\Changes\Changes;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Study as StudyOfCore;
use Illuminate\Http\Response;

/** Every edit of a study comes in here and leaves as a new revision, and as the workspace drawn anew. */
final class StudyChangeController
{
    public function store(ChangeStudyRequest $request, Study $study, TextMeasure $measure): Response
    {
        $data = $study->data();
        $before = $study->document();
        try {
            $change = $request->change();
            $comparison = Changes::carriedOut($change, $before, $data);
        } catch (InvalidStudy $problem) {
            // The page stays as it is, with what was typed; only the sentence is new.
            return response()->view('study.message', ['message' => $problem->getMessage()], 422)
                ->withHeaders(['HX-Retarget' => '#message', 'HX-Reswap' => 'outerHTML']);
        }
        $after = $comparison->study;
        if ($request->boolean('preview')) {
            return response()->view('study.chart', ['screen' => StudyScreen::showing($comparison, $study, SheetSize::of($request), $measure)]);
        }
        if ($after != $before) {
            $study->revise($after, $change->said($data));
        }

        return response()->view('study.workspace', [
            'screen' => StudyScreen::showing($comparison, $study, SheetSize::of($request), $measure, self::added($before, $after)),
        ]);
    }

    /** Id of a stop that is new on the rail, to be opened at once. */
    private static function added(StudyOfCore $before, StudyOfCore $after): string
    {
        $ids = static fn(StudyOfCore $study): array => array_map(static fn(PlacedStop $s): string => $s->id, $study->rail->stops);

        return array_values(array_diff($ids($after), $ids($before)))[0] ?? '';
    }
}
