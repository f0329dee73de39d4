<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\StudyFile;
use App\Formats\Archive;
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
        $files = $request->brought();
        if (count($files) === 1 && StudyFile::isOne($files[0]->getRealPath())) {
            return StudyFileController::opened($files[0], Dataset::find($request->integer('dataset')));
        }
        $upload = new Upload(['id' => (string) Str::uuid(), 'name' => self::named($files)]);
        $upload->dataset_id = $request->integer('dataset') ?: null;
        File::ensureDirectoryExists(dirname($upload->path()));
        match (count($files)) {
            0 => file_put_contents($upload->path(), $request->string('pasted')->value()),
            1 => $files[0]->move(dirname($upload->path()), basename($upload->path())),
            default => Archive::pack($upload->path(), self::paths($files)),
        };
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

    /** @param list<UploadedFile> $files */
    private static function named(array $files): string
    {
        $name = match (count($files)) {
            0 => __('Pasted table'),
            1 => $files[0]->getClientOriginalName(),
            default => trans_choice(':name and :count more file|:name and :count more files', count($files) - 1, [
                'name' => $files[0]->getClientOriginalName(),
            ]),
        };

        return mb_strimwidth(mb_scrub($name), 0, 200, '…');
    }

    /**
     * @param list<UploadedFile> $files
     * @return array<string, string> paths by name; of two of one name the second is numbered
     */
    private static function paths(array $files): array
    {
        $paths = [];
        foreach ($files as $number => $file) {
            $name = basename(str_replace('\\', '/', $file->getClientOriginalName()));
            $paths[isset($paths[$name]) ? $number + 1 . " {$name}" : $name] = $file->getRealPath();
        }

        return $paths;
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
