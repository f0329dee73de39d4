<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Data\StudyFile;
use DuskRail\Refusal;
use Illuminate\Console\Command;

final class ImportStudy extends Command
{
    use FindsDataset;
    use SpeaksJson;

    protected $signature =
        'study:import {file : a study file, as study:render --format=json or data.json writes it}
   ' .
        '     {--to= : data set for the study, number or name; without it, the data in the file}
    ' .
        '    {--json : for scripts}';

    protected $description = 'Open a study file with its data or on a data set';

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        if (!is_file($path)) {
            $this->error("There is no file “{$path}”.");

            return self::INVALID;
        }
        $dataset = $this->dataset();
        if ($dataset === false) {
            return self::INVALID;
        }
        ini_set('memory_limit', '1G');
        try {
            $study = StudyFile::import($path, basename($path), $dataset);
        } catch (Refusal $problem) {
            $this->error($problem->getMessage());

            return self::FAILURE;
        }
        $this->option('json') === true
            ? $this->json(['study' => $study->name, 'id' => $study->id, 'dataset' => $study->dataset->name])
            : $this->line("Study {$study->id}, “{$study->name}”, on “{$study->dataset->name}”.");

        return self::SUCCESS;
    }
}
