<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\ImportCancelled;
use App\Http\Requests\ImportFileRequest;
use App\Jobs\ImportUpload;
use App\Models\Upload;
use App\View\UploadScreen;
use DuskRail\Refusal;
use Illuminate\Http\Response;

/** Confirms a file: all of it goes into the database, or nothing; a large one while the user does something else. */
final class ImportController
{
    public function store(ImportFileRequest $request, Upload $upload): Response
    {
        // The same sent twice is done once.
        if ($upload->isUnderWay() || !$upload->claim('open', 'waiting')) {
            return $this->show($upload);
        }
        set_time_limit(600);
        $upload->progress()->allow();
        $job = new ImportUpload(
            $upload->id,
            $request->string('name')->trim()->value(),
            $request->string('source')->trim()->value(),
            $request->string('home')->value(),
            $request->boolean('leave_out'),
        );
        // A small file is in before a worker would have looked for it.
        $upload->size() >= config()->integer('duskrail.queued_from') ? dispatch($job) : dispatch_sync($job);

        return $this->show($upload->refresh());
    }

    /** How far a running import has come; where it leads once it is done. */
    public function show(Upload $upload): Response
    {
        if ($upload->state === 'unread') {
            return $this->read($upload);
        }
        if ($upload->state === 'done') {
            // A new data set begins with a study; what an update changed is shown with the studies that it changed.
            $place =
                $upload->dataset === null
                    ? route('studies.show', (int) $upload->study_id)
                    : route('versions.show', [$upload->dataset, $upload->dataset->version]);
            $upload->discard();

            return response('', 200, ['HX-Redirect' => $place]);
        }
        if ($upload->isUnderWay()) {
            return response()->view('data.importing', ['upload' => $upload]);
        }

        return response()->view('data.understanding', ['screen' => UploadScreen::of($upload, $upload->message)], 422);
    }

    /** Reads a file that had to wait for others, as soon as its turn has come. */
    private function read(Upload $upload): Response
    {
        try {
            if (!$upload->takeTurn()) {
                return response()->view('data.importing', ['upload' => $upload]);
            }
        } catch (Refusal $problem) {
            $upload->discard();
            session()->flash('message', "{$upload->name}: {$problem->getMessage()}");

            return response('', 200, ['HX-Redirect' => route('data.index')]);
        }

        return response('', 200, ['HX-Redirect' => route('uploads.show', $upload)]);
    }

    /** Calls a running import off. */
    public function destroy(Upload $upload): Response
    {
        if ($upload->state === 'unread') {
            $upload->discard();

            return response('', 200, ['HX-Redirect' => route('data.index')]);
        }
        $upload->progress()->cancel();
        if ($upload->state === 'waiting') {
            // No worker has it yet, and perhaps none ever comes.
            $upload->update(['state' => 'open', 'message' => ImportCancelled::byUser()->getMessage()]);

            return $this->show($upload);
        }

        return response()->view('data.importing', ['upload' => $upload]);
    }
}
