<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\Import;
use App\Data\ImportStopped;
use App\Data\StoredData;
use App\Http\Requests\ImportFileRequest;
use App\Models\Dataset;
use App\Models\Study;
use App\Models\Upload;
use App\View\UploadScreen;
use DomainException;
use Illuminate\Http\Response;

/** Confirms a file: all of it goes into the database, or nothing. */
final class ImportController
{
    public function store(ImportFileRequest $request, Upload $upload): Response
    {
        set_time_limit(600);
        $progress = static function (int $rows) use ($upload): void {
            file_put_contents($upload->progressPath(), (string) $rows);
        };
        $import = $upload->import($request->boolean('leave_out'), $progress);
        try {
            $study = $upload->dataset === null
                ? self::begin($import->asNew($request->string('name')->trim()->value(), $request->string('source')->trim()->value(), $request->string('home')->value()))
                : self::continue($import, $upload->dataset);
        } catch (DomainException $problem) {
            $observations = $problem instanceof ImportStopped ? $problem->observations : null;

            return response()->view('data.understanding', ['screen' => UploadScreen::of($upload, $problem->getMessage(), $observations)], 422);
        }
        $upload->discard();

        return response('', 200, ['HX-Redirect' => route('studies.show', $study)]);
    }

    /** How far a running import has come. */
    public function show(Upload $upload): Response
    {
        $rows = is_file($upload->progressPath()) ? (int) file_get_contents($upload->progressPath()) : 0;

        return response($rows === 0 ? 'Reading …' : number_format($rows).' rows read …')->header('Content-Type', 'text/plain');
    }

    private static function begin(Dataset $dataset): Study
    {
        $data = new StoredData($dataset);
        $measure = array_key_first($data->measures()) ?? throw ImportStopped::because('The file holds no measure.');

        return Study::start($dataset, $data, $measure);
    }

    private static function continue(Import $import, Dataset $dataset): Study
    {
        $import->addedTo($dataset);

        return $dataset->studies()->orderByDesc('updated_at')->first() ?? self::begin($dataset);
    }
}
