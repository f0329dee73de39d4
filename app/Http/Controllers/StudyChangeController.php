<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\ChangedMeanwhile;
use App\Data\Clash;
use App\Data\RevisionWriter;
use App\Http\Requests\ChangeStudyRequest;
use App\Http\SeenRevision;
use App\Models\Study;
use App\Models\StudyRevision;
use App\View\OpenEditors;
use App\View\SheetSize;
use App\View\StudyScreen;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Changes\Change;
use DuskRail\Document\Changes\RemarksOn;
use DuskRail\Document\Difference;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Document\StudyDocument;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Rail\PlacedStop;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** Every edit of a study comes in here and leaves as a new revision, and as the workspace drawn again. */
final class StudyChangeController
{
    /** So often a change is calculated again when others come between. */
    private const TRIES = 4;

    public function store(ChangeStudyRequest $request, Study $study, TextMeasure $measure): Response
    {
        [$size, $open] = [SheetSize::of($request), OpenEditors::of($request)];
        try {
            $change = $request->change();
            if ($request->boolean('preview')) {
                $comparison = Edit::of($change, $study->document(), $study->data());
                $screen = StudyScreen::showing($comparison, $study, $size, $measure, $open);

                return response()->view('study.chart', ['screen' => $screen]);
            }
            $seen = SeenRevision::of($request, $study);
            [$before, $comparison, $between] = $this->apply($change, $study, $seen);
        } catch (Clash $problem) {
            $screen = StudyScreen::of($study, $size, $measure, $open);

            return response()->view(
                'study.workspace',
                ['screen' => $screen, 'message' => $problem->getMessage() . self::typed($request)],
                409,
            );
        } catch (InvalidStudy|ChangedMeanwhile $problem) {
            // The page stays as it is, with what was typed; only the sentence is new.
            return response()
                ->view('study.message', ['message' => $problem->getMessage()], 422)
                ->withHeaders(['HX-Retarget' => '#message', 'HX-Reswap' => 'outerHTML']);
        }
        $added = self::added($before, $comparison->document);
        $screen = StudyScreen::showing($comparison, $study, $size, $measure, $open, $added);

        $remark =
            $change instanceof RemarksOn
                ? $change->remark($before, $comparison->document, $comparison->document->slice($study->data()))
                : '';
        $message = implode(' ', array_filter([ucfirst($between), $remark]));

        return response()->view('study.workspace', ['screen' => $screen, 'message' => $message]);
    }

    /** A text that was typed, so that it need not be thought of again. */
    private static function typed(ChangeStudyRequest $request): string
    {
        $text = $request->string('text')->trim()->value();

        return $text === '' ? '' : " You entered: “{$text}”";
    }

    /**
     * A change is small and can be calculated again, on what another wrote in the meantime, unless both touch the same
     * thing.
     *
     * @return array{StudyOfCore, Comparison, string} the document before, what came of it, and what another window did
     *     meanwhile
     *
     * @throws InvalidStudy|ChangedMeanwhile
     */
    private function apply(Change $change, Study $study, ?StudyRevision $seen): array
    {
        for ($try = 1; $try < self::TRIES; $try++) {
            try {
                return self::applyOnce($change, $study, $seen);
            } catch (ChangedMeanwhile) {
                $study->refresh();
            }
        }

        // Where many edit one study at once, the last try keeps the others waiting, and nobody can come between.
        return DB::transaction(static function () use ($change, $study, $seen): array {
            $study->refresh();

            return self::applyOnce($change, $study, $seen);
        });
    }

    /**
     * @return array{StudyOfCore, Comparison, string}
     *
     * @throws InvalidStudy|ChangedMeanwhile
     */
    private static function applyOnce(Change $change, Study $study, ?StudyRevision $seen): array
    {
        $madeOn = $study->revision_id;
        $before = $study->document();
        $data = $study->data();
        $between = SeenRevision::concurrentChanges($seen, $study);
        if ($seen !== null && $seen->id !== $madeOn) {
            $base = StudyDocument::read($seen->document);
            $mine = Edit::of($change, $base, $data)->document;
            if (Difference::clashes($base, $mine, $before) !== []) {
                throw Clash::with($between);
            }
        }
        $comparison = Edit::of($change, $before, $data);
        if ($comparison->document != $before) {
            $summary = $change->inWords($before, $comparison->document, $comparison->document->slice($data));
            RevisionWriter::write($study, $comparison->document, $summary, $madeOn);
        }

        return [$before, $comparison, $between];
    }

    /** Id of the editor of a stop that is new on the rail, to be opened at once; nothing where none is. */
    private static function added(StudyOfCore $before, StudyOfCore $after): string
    {
        $ids = static fn(StudyOfCore $study): array => array_map(
            static fn(PlacedStop $s): string => $s->id,
            $study->rail->stops,
        );

        $new = array_values(array_diff($ids($after), $ids($before)))[0] ?? '';

        return $new === '' ? '' : "editor-{$new}";
    }
}
