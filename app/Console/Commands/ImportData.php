<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Data\Answers;
use App\Data\Foreseen;
use App\Data\Import;
use App\Data\ImportStopped;
use App\Data\RevisionWriter;
use App\Formats\DelimitedFile;
use App\Formats\TableSources;
use App\Formats\Unpacker;
use App\Models\Dataset;
use DuskRail\Data\Numerals;
use DuskRail\Document\Study;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Reader;
use DuskRail\Reading\ReadMeasure;
use DuskRail\Reading\Role;
use DuskRail\Reading\Sample;
use DuskRail\Reading\Shapes\Attributes;
use DuskRail\Reading\TableShapes;
use DuskRail\Reading\UnreadablePlan;
use DuskRail\Refusal;
use DuskRail\Time\PeriodNotation;
use Illuminate\Console\Command;
use Illuminate\Support\Str;
use Symfony\Component\Console\Input\InputArgument;

final class ImportData extends Command
{
    use FindsDataset;
    use SpeaksJson;

    protected $signature =
        'data:import {file}
        {--to= : existing data set, number or name; without it, a new ' .
        'one}
        {--name= : of a new data set}
        {--source= : of a new data set}
        ' .
        '{--home= : name of the entity that is home}
        {--sheet= : of a workbook, or the table ' .
        'of another file that has several}
        {--in-place : replace: delete stored values of ' .
        'these measures that are not in the file}
        {--shape= : table layout, if detected ' .
        'wrongly: one of %s}
        {--headings= : header row, from 1; 0 for none}
        ' .
        '{--column=* : role of a column, as HEADER=ROLE: %s}
        {--periods= : period format, if ' .
        'detected wrongly: one of %s}
        {--numbers= : number format: point or comma}
        ' .
        '{--unit=* : of a measure, as MEASURE=UNIT}
        {--kind=* : of a measure, as ' .
        'MEASURE=KIND: flow, stock or rate}
        {--again= : what to do with duplicates: first, ' .
        'last, sum, mean or kind (sum of flows, mean of all else)}
        {--leave-out : import without cells that cannot be read}
        ' .
        '{--look : only report what is detected; store nothing}
        {--json : for scripts}';

    /** So many of the cells that could not be read are shown. */
    private const SHOWN = 10;

    protected $description = 'Import a file into a new or an existing data set';

    public function __construct()
    {
        $this->signature = sprintf(
            $this->signature,
            implode(', ', array_keys(TableShapes::all())),
            implode(', ', array_column(Role::cases(), 'value')),
            implode(', ', array_column(PeriodNotation::cases(), 'value')),
        );
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
        $dataset = $this->dataset();
        if ($dataset === false) {
            return self::INVALID;
        }
        $table = $path;
        $study = null;
        try {
            $name = basename($path);
            if (TableSources::of($path) !== null) {
                $table = (string) tempnam(sys_get_temp_dir(), 'dusk-rail-');
                $wanted = (string) $this->option('sheet');
                [, $sheet] = Unpacker::write((string) realpath($path), $table, $wanted === '' ? null : $wanted);
                $name .= ", sheet {$sheet}";
            }
            $file = DelimitedFile::open($table);
            [$sample, $whole] = $file->sample($name, config()->integer('duskrail.preview_rows'));
            $plan = $this->plan($sample);
            $understood = Detection::explain($sample, $plan);
            if ($this->option('look') === true) {
                return $this->told($sample, $plan, $understood, $whole);
            }
            $answers = $this->answers($dataset, $sample, $plan);
            foreach ($answers->units as $measure => $factor) {
                $understood[] = "{$measure} is of another size than what is stored, and is multiplied by {$factor}";
            }
            $import = new Import(
                $table,
                $name,
                $file,
                $plan,
                $this->option('leave-out') === true,
                null,
                $answers,
            );
            if ($dataset === null) {
                $dataset = $import->asNew(
                    (string) $this->option('name') !== ''
                        ? (string) $this->option('name')
                        : pathinfo($path, PATHINFO_FILENAME),
                    (string) $this->option('source'),
                    (string) $this->option('home'),
                    static function (Dataset $begun, Study $first) use (&$study): void {
                        $study = RevisionWriter::begin($begun, $first);
                    },
                );
            } else {
                $import->addedTo($dataset);
            }
        } catch (Refusal $problem) {
            return $this->refused($problem);
        } finally {
            if ($table !== $path) {
                unlink($table);
            }
        }
        $report = [
            'dataset' => $dataset->name,
            'id' => $dataset->id,
            'version' => $dataset->refresh()->version,
            'study' => $study?->id,
            'understood' => $understood,
        ];
        if ($this->option('json') === true) {
            $this->json($report);
        } else {
            $this->line(
                "“{$dataset->name}” is now at version {$report['version']}. Detected from: " .
                    implode('; ', $understood) .
                    '.' .
                    ($study === null ? '' : " First study: {$study->id}, “{$study->name}”."),
            );
        }

        return self::SUCCESS;
    }

    /** What the preview would ask, with the likely answers. */
    private function answers(?Dataset $dataset, Sample $sample, Plan $plan): Answers
    {
        $answers = new Answers($this->option('in-place') === true ? 'place' : 'over');

        return $dataset === null || $plan->shape === Attributes::NAME
            ? $answers
            : new Answers(
                $answers->mode,
                units: Foreseen::shifts($dataset, Reader::read($sample->rows, $plan), $answers),
            );
    }

    /**
     * The guess, with what is said otherwise.
     *
     * @throws Refusal when what is said is not possible
     */
    private function plan(Sample $sample): Plan
    {
        $row = $this->option('headings');
        $plan = Detection::of(
            $sample,
            TableShapes::find((string) $this->option('shape')),
            is_numeric($row) ? (int) $row - 1 : null,
        )->plan;
        $changes = array_filter([
            'notation' => $this->option('periods'),
            'numbers' => $this->option('numbers'),
            'duplicates' => $this->option('again'),
        ]);
        foreach ($this->pairs('column') as $heading => $role) {
            $column = $this->column($sample, $plan, $heading);
            if (Role::tryFrom($role) === null) {
                throw UnreadablePlan::because("“{$role}” is not a role of a column.");
            }
            $changes['roles'][$column] = $role;
        }
        foreach (['unit', 'kind'] as $what) {
            foreach ($this->pairs($what) as $measure => $text) {
                $changes['measures'][$measure] = [...$plan->stated->measures[$measure] ?? [], $what => $text];
            }
        }

        return $plan->with([...$changes, 'measures' => [...$plan->stated->measures, ...$changes['measures'] ?? []]]);
    }

    /** @return array<string, string> what is given as NAME=TEXT */
    private function pairs(string $option): array
    {
        $pairs = [];
        foreach ((array) $this->option($option) as $pair) {
            $at = is_string($pair) ? strrpos($pair, '=') : false;
            if (!is_string($pair) || $at === false) {
                throw UnreadablePlan::because("--{$option} is written as NAME=TEXT.");
            }
            $pairs[substr($pair, 0, $at)] = substr($pair, $at + 1);
        }

        return $pairs;
    }

    private function column(Sample $sample, Plan $plan, string $heading): int
    {
        for ($column = 0; $column < $sample->width; $column++) {
            if (mb_strtolower($sample->heading($column, $plan->heading)) === mb_strtolower($heading)) {
                return $column;
            }
        }

        throw UnreadablePlan::because("The file has no column “{$heading}”.");
    }

    /** @param list<string> $understood */
    private function told(Sample $sample, Plan $plan, array $understood, bool $whole): int
    {
        $read = Reader::read($sample->rows, $plan);
        $report = [
            'shape' => $plan->shape,
            'entities' => count($read->entities),
            'measures' => array_map(static fn(ReadMeasure $m): string => $m->name, $read->measures),
            'breakdowns' => $read->metadata->breakdowns,
            'figures' => $read->valueCount(),
            'unreadable' => $read->problemCount,
            'whole' => $whole,
            'understood' => $understood,
        ];
        if ($this->option('json') === true) {
            $this->json($report);
        } else {
            $values = Str::plural('value', $report['figures']);
            $entities = Str::plural('entity', $report['entities']);
            $this->line(
                "{$report['figures']} {$values} of {$report['entities']} {$entities}: " .
                    implode(', ', $report['measures']) .
                    ($report['breakdowns'] === [] ? '' : ', by ' . implode(' and ', $report['breakdowns'])) .
                    ($whole ? '. ' : ', in the first rows. ') .
                    'Detected from: ' .
                    implode('; ', $understood) .
                    '.',
            );
            $this->unreadable($read);
        }

        return self::SUCCESS;
    }

    private function refused(Refusal $problem): int
    {
        $read = $problem instanceof ImportStopped ? $problem->observations : null;
        $this->error($read === null ? $problem->getMessage() : 'Some cells could not be read. Nothing was stored.');
        if ($read !== null) {
            $this->unreadable($read);
        }

        return self::FAILURE;
    }

    /** The first cells that could not be read, and how to go on. */
    private function unreadable(Observations $read): void
    {
        if ($read->problemCount === 0) {
            return;
        }
        foreach (array_slice($read->problems, 0, self::SHOWN) as $problem) {
            $found = $problem->found === '' ? 'empty' : "“{$problem->found}”";
            $this->line("  Row {$problem->row}, {$problem->column}: {$found}. Expected: {$problem->expected}.");
        }
        $cells = Numerals::count($read->problemCount) . ' ' . Str::plural('cell', $read->problemCount);
        $this->line(
            "{$cells} could not be read. " .
                ($read->duplicateCount > 0
                    ? '--again says what to do with duplicates, --column=HEADER=breakdown what tells them apart. '
                    : '') .
                'Change how the file is read with the options of this command, or use --leave-out to import without ' .
                'these cells.',
        );
    }
}
