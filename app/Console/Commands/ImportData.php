<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Data\Import;
use App\Formats\DelimitedFile;
use App\Formats\TableSources;
use App\Formats\Unpacker;
use App\Models\Dataset;
use DuskRail\Reading\Detection;
use DuskRail\Reading\TableShapes;
use DuskRail\Refusal;
use Illuminate\Console\Command;
use Symfony\Component\Console\Input\InputArgument;

final class ImportData extends Command
{
    use SpeaksJson;

    protected $signature = 'data:import {file}
        {--to= : number or name of the data set that it is added to; a new one is begun without}
        {--name= : of a new data set}
        {--source= : of a new data set}
        {--home= : name of the entity that is home}
        {--sheet= : of a workbook, or the table of another file that has several}
        {--in-place : what is there of the measures in the file goes, where the file does not give it}
        {--shape= : how the table lies, where the guess is wrong: one of %s}
        {--leave-out : go on without what cannot be read}
        {--json : for scripts}';

    protected $description = 'Import a file as a new data set, or as a new version of one';

    public function __construct()
    {
        $this->signature = sprintf($this->signature, implode(', ', array_keys(TableShapes::all())));
        parent::__construct();
        $this->getDefinition()->setArguments([
            new InputArgument('file', InputArgument::REQUIRED, TableSources::inWords()),
        ]);
    }

    public function handle(): int
    {
        $path = (string) $this->argument('file');
        if (!is_file($path)) {
            $this->error("There is no file “{$path}”.");

            return self::INVALID;
        }
        $wanted = (string) $this->option('to');
        $dataset =
            $wanted === ''
                ? null
                : (ctype_digit($wanted)
                    ? Dataset::find((int) $wanted)
                    : Dataset::where('name', $wanted)->first());
        if ($wanted !== '' && $dataset === null) {
            $this->error(
                "There is no data set “{$wanted}”. There are: " .
                    (Dataset::pluck('name')->implode(', ') ?: 'none') .
                    '.',
            );

            return self::INVALID;
        }
        $table = $path;
        try {
            $name = basename($path);
            if (TableSources::of($path) !== null) {
                $table = (string) tempnam(sys_get_temp_dir(), 'dusk-rail-');
                $wanted = (string) $this->option('sheet');
                [, $sheet] = Unpacker::write((string) realpath($path), $table, $wanted === '' ? null : $wanted);
                $name .= ", sheet {$sheet}";
            }
            $file = DelimitedFile::open($table);
            $guess = Detection::of(
                $file->sample($name, config()->integer('duskrail.preview_rows'))[0],
                TableShapes::find((string) $this->option('shape')),
            );
            $import = new Import(
                $table,
                $name,
                $file,
                $guess->plan,
                $this->option('leave-out') === true,
                null,
                $this->option('in-place') === true ? 'place' : 'over',
            );
            if ($dataset === null) {
                $dataset = $import->asNew(
                    (string) $this->option('name') !== ''
                        ? (string) $this->option('name')
                        : pathinfo($path, PATHINFO_FILENAME),
                    (string) $this->option('source'),
                    (string) $this->option('home'),
                );
            } else {
                $import->addedTo($dataset);
            }
        } catch (Refusal $problem) {
            $this->error($problem->getMessage());

            return self::FAILURE;
        } finally {
            if ($table !== $path) {
                unlink($table);
            }
        }
        $report = [
            'dataset' => $dataset->name,
            'id' => $dataset->id,
            'version' => $dataset->refresh()->version,
            'understood' => $guess->evidence,
        ];
        if ($this->option('json') === true) {
            $this->json($report);
        } else {
            $this->line(
                "“{$dataset->name}” is at version {$report['version']}. Understood from this: " .
                    implode('; ', $guess->evidence) .
                    '.',
            );
        }

        return self::SUCCESS;
    }
}
