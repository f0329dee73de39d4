<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\StudyFile;
use App\Formats\TableSources;
use App\Formats\UnpackerBusy;
use App\Http\Requests\BringFileRequest;
use App\Http\Requests\CorrectReadingRequest;
use App\Models\Dataset;
use App\Models\Upload;
use App\View\UploadScreen;
use DuskRail\Refusal;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** A file between being brought and being imported: what was understood of it, and how the user corrects that. */
final class UploadController
{
    public function store(BringFileRequest $request): RedirectResponse
    {
        $file = $request->file('file');
        if ($file instanceof UploadedFile && StudyFile::isOne($file->getRealPath())) {
            return StudyFileController::opened($file, Dataset::find($request->integer('dataset')));
        }
        $name = $file instanceof UploadedFile ? $file->getClientOriginalName() : __('Pasted table');
        $upload = new Upload(['id' => (string) Str::uuid(), 'name' => mb_strimwidth(mb_scrub($name), 0, 200, '…')]);
        $upload->dataset_id = $request->integer('dataset') ?: null;
        if ($file instanceof UploadedFile) {
            $file->move(dirname($upload->path()), basename($upload->path()));
        } else {
            File::ensureDirectoryExists(dirname($upload->path()));
            file_put_contents($upload->path(), $request->string('pasted')->value());
        }
        try {
            if (TableSources::of($upload->path()) !== null) {
                rename($upload->path(), $upload->bookPath());
                $upload->readSheet(null, 2);
            } else {
                $upload->understand();
            }
        } catch (UnpackerBusy) {
            $upload->state = 'unread';
        } catch (Refusal $problem) {
            array_map(unlink(...), array_filter([$upload->path(), $upload->bookPath()], is_file(...)));

            throw ValidationException::withMessages(['file' => "{$upload->name}: {$problem->getMessage()}"]);
        }
        $upload->save();

        return redirect()->route('uploads.show', $upload);
    }

    public function show(Upload $upload): View
    {
        return view('data.upload', [
            'upload' => $upload,
            'screen' =>
                $upload->state === 'unread' || $upload->isUnderWay() || $upload->state === 'done'
                    ? null
                    : UploadScreen::of($upload, $upload->message),
        ]);
    }

    /**
     * Corrects what was understood. Another shape, row of headings or way of writing starts from fresh guesses;
     * anything else changes only what it names.
     */
    public function update(CorrectReadingRequest $request, Upload $upload): View
    {
        $message = '';
        try {
            $request->correct($upload);
            // What was said of the last reading is not true of this one.
            $upload->fill(['message' => '', 'problems' => null])->save();
        } catch (Refusal $problem) {
            $message = $problem->getMessage();
            $upload->refresh();
        }

        return view('data.understanding', ['screen' => UploadScreen::of($upload, $message)]);
    }

    public function destroy(Upload $upload): RedirectResponse
    {
        $upload->discard();

        return redirect()
            ->route('data.index')
            ->with('message', __('“:name” was discarded. Nothing was stored.', ['name' => $upload->name]));
    }
}
