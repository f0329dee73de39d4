<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\ChangedMeanwhile;
use App\Data\RevisionWriter;
use App\Http\SeenRevision;
use App\Models\Study;
use App\Models\StudyRevision;
use App\View\OpenEditors;
use App\View\SheetSize;
use App\View\StudyScreen;
use DuskRail\Chart\TextMeasure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Undo and redo, and any state that the study was in. */
final class StudyHistoryController
{
    public function update(Request $request, Study $study, TextMeasure $measure): Response
    {
        $request->validate(['step' => ['required_without:to', 'in:undo,redo'], 'to' => ['sometimes', 'integer']]);
        $seen = SeenRevision::of($request, $study);
        [$status, $message] = [200, ''];
        try {
            match (true) {
                $request->has('to') => RevisionWriter::goTo(
                    $study,
                    StudyRevision::where('study_id', $study->id)->findOrFail($request->integer('to')),
                    $seen?->id,
                ),
                $request->string('step')->value() === 'undo' => RevisionWriter::undo($study, $seen?->id),
                default => RevisionWriter::redo($study, $seen?->id),
            };
        } catch (ChangedMeanwhile) {
            $study->refresh();
            [$status, $message] = [
                409,
                __('Nothing was undone or redone: :changes Look at it first, then try again.', [
                    'changes' => SeenRevision::concurrentChanges($seen, $study),
                ]),
            ];
        }
        $screen = StudyScreen::of($study, SheetSize::of($request), $measure, OpenEditors::of($request));

        return response()->view('study.workspace', ['screen' => $screen, 'message' => $message], $status);
    }

    /** Which revision is in force, for a page that wants to know whether it is behind. */
    public function show(Study $study): JsonResponse
    {
        return response()->json([
            'revision' => $study->revision_id,
            'version' => $study->version ?? $study->dataset->version,
            'summary' => $study->revision?->summary,
        ]);
    }
}
