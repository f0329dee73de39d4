<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\ChangedMeanwhile;
use App\Data\RevisionWriter;
use App\Http\Requests\ChangeStudyRequest;
use App\Models\Study;
use App\View\SheetSize;
use App\View\StudyScreen;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Changes\Change;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Rail\PlacedStop;
use Illuminate\Http\Response;

/** Every edit of a study comes in here and leaves as a new revision, and as the workspace drawn anew. */
final class StudyChangeController
{
    /** So often a change is carried out anew when others come between. */
    private const TRIES = 5;

    public function store(ChangeStudyRequest $request, Study $study, TextMeasure $measure): Response
    {
        try {
            $change = $request->change();
            if ($request->boolean('preview')) {
                $comparison = Edit::of($change, $study->document(), $study->data());
                $screen = StudyScreen::showing($comparison, $study, SheetSize::of($request), $measure);

                return response()->view('study.chart', ['screen' => $screen]);
            }
            [$before, $comparison] = $this->carriedOut($change, $study);
        } catch (InvalidStudy | ChangedMeanwhile $problem) {
            // The page stays as it is, with what was typed; only the sentence is new.
            return response()
                ->view('study.message', ['message' => $problem->getMessage()], 422)
                ->withHeaders(['HX-Retarget' => '#message', 'HX-Reswap' => 'outerHTML']);
        }
        $opened = self::added($before, $comparison->study);
        $screen = StudyScreen::showing($comparison, $study, SheetSize::of($request), $measure, $opened);

        return response()->view('study.workspace', ['screen' => $screen]);
    }

    /**
     * A change is small and can be carried out anew, on what another wrote in the meantime.
     *
     * @return array{StudyOfCore, Comparison} the document before, and what came of it
     *
     * @throws InvalidStudy|ChangedMeanwhile
     */
    private function carriedOut(Change $change, Study $study): array
    {
        for ($try = 1; ; $try++) {
            $madeOn = $study->revision_id;
            $before = $study->document();
            $data = $study->data();
            $comparison = Edit::of($change, $before, $data);
            if ($comparison->study == $before) {
                return [$before, $comparison];
            }
            try {
                $summary = $change->inWords($before, $comparison->study, $data);
                RevisionWriter::write($study, $comparison->study, $summary, $madeOn);

                return [$before, $comparison];
            } catch (ChangedMeanwhile $problem) {
                if ($try === self::TRIES) {
                    throw $problem;
                }
                $study->refresh();
            }
        }
    }

    /** Id of a stop that is new on the rail, to be opened at once. */
    private static function added(StudyOfCore $before, StudyOfCore $after): string
    {
        $ids = static fn(StudyOfCore $study): array => array_map(
            static fn(PlacedStop $s): string => $s->id,
            $study->rail->stops,
        );

        return array_values(array_diff($ids($after), $ids($before)))[0] ?? '';
    }
}
