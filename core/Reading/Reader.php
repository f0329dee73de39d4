<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Status;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodNotation;

/**
 * Reads the rows of a table as a plan says. It goes on past what it cannot read and lists it, so that the user sees all
 * of it at once and nothing is guessed in silence.
 */
final class Reader
{
    private const PROBLEMS_KEPT = 200;

    /** @var list<ReadMeasure> */
    private array $measures = [];

    /** @var array<string, int> */
    private array $measureIds = [];

    /** @var list<string> */
    private array $entities = [];

    /** @var array<string, int> */
    private array $entityIds = [];

    /** @var array<int, array<int, array<int, float>>> */
    private array $values = [];

    /** @var array<int, array<int, array<int, int>>> */
    private array $places = [];

    /** @var array<int, array<int, array<int, int>>> */
    private array $statuses = [];

    /** @var array<int, array<int, array<int, int>>> how many values a mean is over, only where more than one */
    private array $repeats = [];

    /** @var list<Problem> */
    private array $problems = [];

    private int $problemCount = 0;

    private int $duplicateCount = 0;

    private int $rowCount = 0;

    /** How many headings there are; 0 where there are none. */
    private int $breadth = 0;

    /** @var array<string, int|null> what the texts of the period column or headings mean */
    private array $ordinals = [];

    /** @var list<string> */
    private array $headings = [];

    private function __construct(private readonly Plan $plan) {}

    /**
     * @param iterable<int, list<string>> $rows by row number from 0
     * @param (callable(int): void)|null $progress told the number of rows now and then
     */
    public static function read(iterable $rows, Plan $plan, ?callable $progress = null): Observations
    {
        $reader = new self($plan);
        if ($plan->shape === Shape::Attributes) {
            return $reader->attributes($rows);
        }
        foreach ($rows as $number => $row) {
            if ($plan->heading !== null && $number <= $plan->heading) {
                if ($number === $plan->heading) {
                    $reader->headings = array_map(trim(...), $row);
                    $reader->breadth = count($row);
                }
                continue;
            }
            if ($row === [] || (count($row) < 3 && trim(implode('', $row)) === '')) {
                continue;
            }
            $reader->rowCount++;
            if ($reader->breadth > 0 && count($row) > $reader->breadth) {
                $reader->overlong($number, $row);
            }
            match ($plan->shape) {
                Shape::Long => $reader->long($number, $row),
                Shape::PeriodsAcross => $reader->periodsAcross($number, $row),
                Shape::EntitiesAcross => $reader->entitiesAcross($number, $row),
                Shape::YearsAcross => $reader->yearsAcross($number, $row),
            };
            if ($progress !== null && $reader->rowCount % 20_000 === 0) {
                $progress($reader->rowCount);
            }
        }

        return $reader->observations();
    }

    /** @param list<string> $row */
    private function long(int $number, array $row): void
    {
        $plan = $this->plan;
        if ($plan->period === null) {
            throw NotATable::because('No column is chosen for the periods.', 'Choose the column that says when, or change how the table lies.');
        }
        $text = $row[$plan->period] ?? '';
        $ordinal = $this->ordinals[$text] ?? $this->ordinal($number, $plan->period, $text);
        if ($ordinal === null) {
            return;
        }
        $name = $plan->entity === null ? $plan->entityName : ($row[$plan->entity] ?? '');
        $entity = $this->entityIds[$name] ?? $this->entity($number, $name);
        if ($entity === null) {
            return;
        }
        $status = $plan->status === null ? 0 : Status::fromMark($row[$plan->status] ?? '')->value;
        foreach ($plan->values as $column) {
            if (! isset($row[$column])) {
                $this->short($number, $column);
                continue;
            }
            $measureName = $plan->measure === null ? $this->valueName($column) : ($row[$plan->measure] ?? '');
            $measure = $this->measureIds[$measureName] ?? $this->measure($number, $measureName, $plan->unit === null ? '' : trim($row[$plan->unit] ?? ''));
            if ($measure !== null) {
                $this->put($number, $column, $row[$column], $measure, $entity, $ordinal, $status);
            }
        }
    }

    /** @param list<string> $row */
    private function periodsAcross(int $number, array $row): void
    {
        $plan = $this->plan;
        $entity = $this->entity($number, $plan->entity === null ? $plan->entityName : ($row[$plan->entity] ?? ''));
        $measure = $this->measure(
            $number,
            $plan->measure === null ? $plan->measureName : ($row[$plan->measure] ?? ''),
            $plan->unit === null ? '' : trim($row[$plan->unit] ?? ''),
        );
        if ($entity === null || $measure === null) {
            return;
        }
        foreach ($plan->values as $column) {
            $ordinal = $this->headingOrdinal($column);
            if (! isset($row[$column])) {
                $this->short($number, $column);
            } elseif ($ordinal !== null) {
                $this->put($number, $column, $row[$column], $measure, $entity, $ordinal, 0);
            }
        }
    }

    /** @param list<string> $row */
    private function entitiesAcross(int $number, array $row): void
    {
        $plan = $this->plan;
        $text = $row[$plan->period ?? 0] ?? '';
        $ordinal = $this->ordinals[$text] ?? $this->ordinal($number, $plan->period ?? 0, $text);
        if ($ordinal === null) {
            return;
        }
        $measure = $this->measure($number, $plan->measureName, Heading::read($this->headingText($plan->values[0] ?? 0))->unit);
        foreach ($plan->values as $column) {
            $entity = $this->entity($number, Heading::read($this->headingText($column))->name);
            if (! isset($row[$column])) {
                $this->short($number, $column);
            } elseif ($entity !== null && $measure !== null) {
                $this->put($number, $column, $row[$column], $measure, $entity, $ordinal, 0);
            }
        }
    }

    /** @param list<string> $row */
    private function yearsAcross(int $number, array $row): void
    {
        $plan = $this->plan;
        $text = $row[$plan->period ?? 0] ?? '';
        $month = PeriodNotation::monthOfYear($text);
        if ($month === null) {
            $this->problem(Problem::cell($number + 1, $this->headingText($plan->period ?? 0), $text, 'the name of a month'));

            return;
        }
        $measure = $this->measure($number, $plan->measureName, '');
        $entity = $this->entity($number, $plan->entityName);
        foreach ($plan->values as $column) {
            $year = $this->headingOrdinal($column);
            if (! isset($row[$column])) {
                $this->short($number, $column);
            } elseif ($year !== null && $measure !== null && $entity !== null) {
                $this->put($number, $column, $row[$column], $measure, $entity, Period::month($year, $month)->ordinal, 0);
            }
        }
    }

    /** @param iterable<int, list<string>> $rows */
    private function attributes(iterable $rows): Observations
    {
        $attributes = [];
        foreach ($rows as $number => $row) {
            if ($number <= ($this->plan->heading ?? -1)) {
                $this->headings = array_map(trim(...), $row);
                continue;
            }
            if (trim(implode('', $row)) === '') {
                continue;
            }
            $this->rowCount++;
            $name = trim($row[$this->plan->entity ?? 0] ?? '');
            if ($this->entity($number, $name) === null) {
                continue;
            }
            foreach ($this->plan->values as $column) {
                $attributes[$name][$this->headingText($column)] = trim($row[$column] ?? '');
            }
            if ($this->plan->group !== null) {
                $attributes[$name]['group'] = trim($row[$this->plan->group] ?? '');
            }
        }

        return $this->observations($attributes);
    }

    private function put(int $row, int $column, string $text, int $measure, int $entity, int $ordinal, int $status): void
    {
        $value = $this->plan->numbers->read($text);
        if ($value === null) {
            $this->problem(Problem::cell($row + 1, $this->headingText($column), $text, "a number such as {$this->plan->numbers->example()}"));

            return;
        }
        if (isset($this->values[$measure][$entity][$ordinal])) {
            $value = $this->combined($row, $measure, $entity, $ordinal, $value);
            if ($value === null) {
                return;
            }
        }
        $this->values[$measure][$entity][$ordinal] = $value;
        $this->places[$measure][$entity][$ordinal] = $row * Observations::COLUMNS + $column;
        if ($status !== 0) {
            $this->statuses[$measure][$entity][$ordinal] = $status;
        }
    }

    /** What stands in the place of a value that is there already and one that comes again; null to leave what is there. */
    private function combined(int $row, int $measure, int $entity, int $ordinal, float $value): ?float
    {
        $there = $this->values[$measure][$entity][$ordinal];
        $this->duplicateCount++;
        if ($this->plan->duplicates === Duplicates::Ask) {
            $first = intdiv($this->places[$measure][$entity][$ordinal], Observations::COLUMNS) + 1;
            $period = Period::at($this->frequency(), $ordinal)->label();
            $this->problem(Problem::duplicate(
                $row + 1,
                $this->measures[$measure]->name,
                "{$this->entities[$entity]}, {$period} again",
                "one value; the first is in row {$first}",
            ));

            return null;
        }
        $present = ! is_nan($value);
        $repeats = $this->repeats[$measure][$entity][$ordinal] ?? (is_nan($there) ? 0 : 1);
        $this->repeats[$measure][$entity][$ordinal] = $repeats + ($present ? 1 : 0);

        return match ($this->plan->duplicates) {
            Duplicates::First => null,
            Duplicates::Last => $value,
            Duplicates::Sum => ! $present ? null : ($repeats === 0 ? $value : $there + $value),
            Duplicates::Mean => ! $present ? null : ($repeats === 0 ? $value : $there + ($value - $there) / ($repeats + 1)),
        };
    }

    private function ordinal(int $row, int $column, string $text): ?int
    {
        if (! array_key_exists($text, $this->ordinals)) {
            $this->ordinals[$text] = $this->plan->periods->read($text);
        }
        $ordinal = $this->ordinals[$text];
        if ($ordinal === null) {
            $this->problem(Problem::cell($row + 1, $this->headingText($column), $text, "a period such as {$this->plan->periods->notation->example()}"));
        }

        return $ordinal;
    }

    private function headingOrdinal(int $column): ?int
    {
        $key = "#{$column}";
        if (! array_key_exists($key, $this->ordinals)) {
            $text = $this->headings[$column] ?? '';
            $this->ordinals[$key] = $this->plan->periods->read($text);
            if ($this->ordinals[$key] === null) {
                $this->problem(Problem::cell(($this->plan->heading ?? 0) + 1, 'column '.($column + 1), $text, "a heading that is a period, such as {$this->plan->periods->notation->example()}"));
            }
        }

        return $this->ordinals[$key];
    }

    private function entity(int $row, string $name): ?int
    {
        if (isset($this->entityIds[$name])) {
            return $this->entityIds[$name];
        }
        $clean = FormulaGuard::unguard(trim((string) preg_replace('/\s+/u', ' ', mb_scrub($name))));
        if ($clean === '') {
            $this->problem(Problem::cell($row + 1, $this->plan->entity === null ? 'heading' : $this->headingText($this->plan->entity), $name, 'the name of an entity'));

            return null;
        }
        if (! isset($this->entityIds[$clean])) {
            $this->entities[] = $clean;
            $this->entityIds[$clean] = count($this->entities) - 1;
        }

        return $this->entityIds[$name] = $this->entityIds[$clean];
    }

    private function measure(int $row, string $name, string $unit): ?int
    {
        if (isset($this->measureIds[$name])) {
            return $this->measureIds[$name];
        }
        $clean = FormulaGuard::unguard(trim(mb_scrub($name)));
        if ($clean === '') {
            $this->problem(Problem::cell($row + 1, $this->plan->measure === null ? 'measure' : $this->headingText($this->plan->measure), $name, 'the name of a measure'));

            return null;
        }
        $heading = Heading::read($clean);
        $this->measures[] = $this->plan->describe($heading->name, $unit === '' ? $heading->unit : $unit);

        return $this->measureIds[$name] = count($this->measures) - 1;
    }

    /** What a column of figures measures: its heading says, unless it is no more than “value”. */
    private function valueName(int $column): string
    {
        $heading = $this->headingText($column);
        $says = preg_match('/^(value|values|figure|amount|obs_value|column \d+)$/i', $heading) !== 1;

        return $says || count($this->plan->values) > 1 ? $heading : $this->plan->measureName;
    }

    private function headingText(int $column): string
    {
        $text = $this->headings[$column] ?? '';

        return $text === '' ? 'column '.($column + 1) : $text;
    }

    /** @param list<string> $row */
    private function overlong(int $number, array $row): void
    {
        $extra = trim(implode(' ', array_slice($row, $this->breadth)));
        if ($extra !== '') {
            $this->problem(Problem::cell($number + 1, 'column '.($this->breadth + 1), $extra, "the end of the row; there are {$this->breadth} headings"));
        }
    }

    private function short(int $row, int $column): void
    {
        $this->problem(Problem::cell($row + 1, $this->headingText($column), '', 'a cell here; the row ends before it'));
    }

    private function problem(Problem $problem): void
    {
        $this->problemCount++;
        if (count($this->problems) < self::PROBLEMS_KEPT) {
            $this->problems[] = $problem;
        }
    }

    private function frequency(): Frequency
    {
        return $this->plan->shape === Shape::YearsAcross ? Frequency::Month : $this->plan->periods->frequency;
    }

    /** @param array<string, array<string, string>> $attributes */
    private function observations(array $attributes = []): Observations
    {
        return new Observations(
            $this->frequency(), $this->measures, $this->entities, $this->values, $this->places, $this->statuses,
            $this->problems, $this->problemCount, $this->duplicateCount, $this->rowCount, $attributes,
        );
    }
}
