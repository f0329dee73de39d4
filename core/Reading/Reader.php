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

    /** @var array<int, ReadMeasure> */
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

    /** @var array<int, string> */
    private array $headings = [];

    /** @var array<int, string> of a row of headings over those, filled to the right */
    private array $upper = [];

    private ?Period $when = null;

    private ?bool $turned = null;

    /** @var array<string, Frequency> what the texts of the period column are, where each says so itself */
    private array $frequencies = [];

    /** @var array<int, string> units that stand in the cells, by measure */
    private array $cellUnits = [];

    private readonly EventTally $events;

    private function __construct(private readonly Plan $plan)
    {
        $this->events = new EventTally($plan);
    }

    /**
     * @param iterable<int, list<string>> $rows by row number from 0
     * @param (callable(int, int): void)|null $progress told now and then how many rows are read, and how many cells
     *     could not be
     */
    public static function read(iterable $rows, Plan $plan, ?callable $progress = null): Observations
    {
        $reader = new self($plan);
        if ($plan->shape === TableShape::Attributes) {
            return $reader->attributes($rows);
        }
        foreach ($rows as $number => $row) {
            if ($plan->heading !== null && $number <= $plan->heading) {
                $reader->heading($number, $row);
                continue;
            }
            if ($row === [] || (count($row) < 3 && trim(implode('', $row)) === '')) {
                continue;
            }
            $reader->row($number, $row);
            if ($progress !== null && $reader->rowCount % 20_000 === 0) {
                $progress($reader->rowCount, $reader->problemCount);
            }
        }

        if ($plan->shape === TableShape::Events) {
            $reader->combineEvents();
        }

        return $reader->observations();
    }

    /** @param list<string> $row at or above the headings */
    private function heading(int $number, array $row): void
    {
        $plan = $this->plan;
        if ($number === $plan->above) {
            $this->upper = self::filled($row);
        }
        if ($number !== $plan->heading) {
            return;
        }
        $this->headings = array_map(trim(...), $row);
        $this->breadth = count($row);
        foreach ($plan->joined ? $plan->columns->values : [] as $column) {
            $heading = $this->headings[$column] ?? '';
            [$this->upper[$column], $this->headings[$column]] = Plan::parted($heading, $plan->periods) ?? [
                $plan->stated->measureName,
                $heading,
            ];
        }
    }

    /** @param list<string> $row of figures */
    private function row(int $number, array $row): void
    {
        $this->rowCount++;
        if ($this->breadth > 0 && count($row) > $this->breadth) {
            $this->overlong($number, $row);
        }
        match ($this->plan->shape) {
            TableShape::Long => $this->long($number, $row),
            TableShape::PeriodsAcross => $this->periodsAcross($number, $row),
            TableShape::EntitiesAcross => $this->entitiesAcross($number, $row),
            TableShape::YearsAcross => $this->yearsAcross($number, $row),
            TableShape::Moment => $this->moment($number, $row),
            TableShape::Events => $this->event($number, $row),
            TableShape::Attributes => null,
        };
    }

    /**
     * A row of headings over several columns each: a cell that is empty says what the one before it says.
     *
     * @param list<string> $row
     * @return list<string>
     */
    private static function filled(array $row): array
    {
        $filled = [];
        $last = '';
        foreach ($row as $cell) {
            $last = trim($cell) === '' ? $last : trim($cell);
            $filled[] = $last;
        }

        return $filled;
    }

    /**
     * Entities that are described by figures, all of one moment.
     *
     * @param list<string> $row
     */
    private function moment(int $number, array $row): void
    {
        $entity = $this->entity(
            $number,
            $this->plan->columns->entity === null
                ? $this->plan->stated->entityName
                : $row[$this->plan->columns->entity] ?? '',
        );
        if ($entity === null) {
            return;
        }
        foreach ($this->plan->columns->values as $column) {
            $measure = $this->measure($number, $this->headingText($column), '');
            if (!isset($row[$column])) {
                $this->short($number, $column);
            } elseif ($measure !== null) {
                $this->put(
                    $number * Observations::COLUMNS + $column,
                    $row[$column],
                    $measure,
                    $entity,
                    $this->when()->ordinal,
                );
            }
        }
    }

    /** The moment that a table without periods is of: the one that was said, or one that has no date. */
    private function when(): Period
    {
        return $this->when ??=
            $this->plan->stated->moment === ''
                ? Period::at(Frequency::Number, 1)
                : Period::parse($this->plan->stated->moment);
    }

    /** @param list<string> $row */
    private function event(int $number, array $row): void
    {
        $plan = $this->plan;
        if ($plan->columns->period === null) {
            throw NotATable::because(
                'No column is chosen for the periods.',
                'Choose the column that says when each thing happened.',
            );
        }
        $ordinal = $this->ordinal(
            $number,
            $plan->columns->period,
            $plan->columns->month === null ? $row[$plan->columns->period] ?? '' : $this->dated($row),
        );
        $entity = $this->entity(
            $number,
            $plan->columns->entity === null ? $plan->stated->entityName : $row[$plan->columns->entity] ?? '',
        );
        if ($ordinal === null || $entity === null) {
            return;
        }
        $this->events->happened($entity, $ordinal, $number * Observations::COLUMNS + $plan->columns->period);
        foreach ($plan->events->ways as $column => $way) {
            $text = trim($row[$column] ?? '');
            if ($way === EventSummary::Out || ($way === EventSummary::Different && $text === '')) {
                continue;
            }
            $cell = $way === EventSummary::Different ? $text : $this->figure($number, $column, $text)?->value;
            if ($cell !== null) {
                $this->events->add($column, $entity, $ordinal, $cell);
            }
        }
    }

    /** Makes figures of the events. */
    private function combineEvents(): void
    {
        foreach ($this->events->measures($this->headingText(...)) as [$measure, $values, $places]) {
            $this->measures[] = $measure;
            $this->values[] = $values;
            $this->places[] = $places;
        }
    }

    /** @param list<string> $row */
    private function long(int $number, array $row): void
    {
        $plan = $this->plan;
        if ($plan->columns->period === null) {
            throw NotATable::because(
                'No column is chosen for the periods.',
                'Choose the column that says when, or change how the table lies.',
            );
        }
        $text = $plan->columns->month === null ? $row[$plan->columns->period] ?? '' : $this->dated($row);
        $ordinal = $this->ordinals[$text] ?? $this->ordinal($number, $plan->columns->period, $text);
        if ($ordinal === null) {
            return;
        }
        $name = $plan->columns->entity === null ? $plan->stated->entityName : $row[$plan->columns->entity] ?? '';
        $entity = $this->entityIds[$name] ?? $this->entity($number, $name);
        if ($entity === null) {
            return;
        }
        $status = $plan->columns->status === null ? 0 : Status::fromMark($row[$plan->columns->status] ?? '')->value;
        foreach ($plan->columns->values as $column) {
            if (!isset($row[$column])) {
                $this->short($number, $column);
                continue;
            }
            $measure = $this->measureOfRow($number, $column, $row);
            if (
                $measure !== null &&
                ($plan->periods->notation !== PeriodNotation::Code || $this->isOfItsKind($number, $measure, $text))
            ) {
                $place = $number * Observations::COLUMNS + $column;
                $this->put($place, $row[$column], $measure, $entity, $ordinal, $status);
            }
        }
    }

    /** @param list<string> $row */
    private function measureOfRow(int $number, int $column, array $row): ?int
    {
        $columns = $this->plan->columns;
        $name = $columns->measure === null ? $this->valueName($column) : $row[$columns->measure] ?? '';

        return $this->measureIds[$name] ??
            $this->measure(
                $number,
                $name,
                $columns->unit === null ? '' : FormulaGuard::unguard(trim($row[$columns->unit] ?? '')),
            );
    }

    /** Where each period says itself what it is, those of one measure must be of one kind. */
    private function isOfItsKind(int $row, int $measure, string $text): bool
    {
        $frequency = $this->frequencies[$text] ??= Period::parse(strtoupper(trim($text)))->frequency;
        $own = $this->measures[$measure]->frequency;
        if ($own === null) {
            $this->measures[$measure] = $this->measures[$measure]->of($frequency);
        } elseif ($own !== $frequency) {
            $this->problem(
                Problem::cell(
                    $row + 1,
                    $this->headingText((int) $this->plan->columns->period),
                    $text,
                    "a {$own->value}, as the others of {$this->measures[$measure]->name}",
                ),
            );

            return false;
        }

        return true;
    }

    /** @param list<string> $row */
    private function periodsAcross(int $number, array $row): void
    {
        $columns = $this->plan->columns;
        $paired = $this->plan->isPaired();
        $name = $columns->entity === null ? $this->plan->stated->entityName : $row[$columns->entity] ?? '';
        $entity = $this->entity($number, $name);
        $unit = $columns->unit === null ? '' : FormulaGuard::unguard(trim($row[$columns->unit] ?? ''));
        $only = $columns->measure === null ? $this->plan->stated->measureName : $row[$columns->measure] ?? '';
        $measure = $paired ? null : $this->measure($number, $only, $unit);
        if ($entity === null || ($measure === null && !$paired)) {
            return;
        }
        foreach ($columns->values as $column) {
            $ordinal = $this->headingOrdinal($column);
            if ($paired) {
                $measure = $this->measure($number, $this->pairedMeasure($column), $unit);
            }
            if ($measure !== null && !isset($row[$column])) {
                $this->short($number, $column);
            } elseif ($measure !== null && $ordinal !== null) {
                $this->put($number * Observations::COLUMNS + $column, $row[$column], $measure, $entity, $ordinal);
            }
        }
    }

    private function pairedMeasure(int $column): string
    {
        return $this->isTurned() ? $this->headingText($column) : $this->upper[$column] ?? '';
    }

    /** @param list<string> $row */
    private function entitiesAcross(int $number, array $row): void
    {
        $plan = $this->plan;
        $text = $plan->columns->month === null ? $row[$plan->columns->period ?? 0] ?? '' : $this->dated($row);
        $ordinal = $this->ordinals[$text] ?? $this->ordinal($number, $plan->columns->period ?? 0, $text);
        if ($ordinal === null) {
            return;
        }
        $measure = $this->measure(
            $number,
            $plan->stated->measureName,
            Heading::read($this->headingText($plan->columns->values[0] ?? 0))->unit,
        );
        if (
            $measure !== null &&
            $plan->periods->notation === PeriodNotation::Code &&
            !$this->isOfItsKind($number, $measure, $text)
        ) {
            return;
        }
        foreach ($plan->columns->values as $column) {
            $entity = $this->entity($number, Heading::read($this->headingText($column))->name);
            if (!isset($row[$column])) {
                $this->short($number, $column);
            } elseif ($entity !== null && $measure !== null) {
                $this->put($number * Observations::COLUMNS + $column, $row[$column], $measure, $entity, $ordinal);
            }
        }
    }

    /** @param list<string> $row */
    private function yearsAcross(int $number, array $row): void
    {
        $plan = $this->plan;
        $text = $row[$plan->columns->period ?? 0] ?? '';
        $month = PeriodNotation::monthOfYear($text);
        if ($month === null) {
            $this->problem(
                Problem::cell(
                    $number + 1,
                    $this->headingText($plan->columns->period ?? 0),
                    $text,
                    'the name of a month',
                ),
            );

            return;
        }
        $measure = $this->measure($number, $plan->stated->measureName, '');
        $entity = $this->entity($number, $plan->stated->entityName);
        foreach ($plan->columns->values as $column) {
            $year = $this->headingOrdinal($column);
            if (!isset($row[$column])) {
                $this->short($number, $column);
            } elseif ($year !== null && $measure !== null && $entity !== null) {
                $this->put(
                    $number * Observations::COLUMNS + $column,
                    $row[$column],
                    $measure,
                    $entity,
                    Period::month($year, $month)->ordinal,
                );
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
            $name = trim($row[$this->plan->columns->entity ?? 0] ?? '');
            if ($this->entity($number, $name) === null) {
                continue;
            }
            foreach ($this->plan->columns->values as $column) {
                $attributes[$name][$this->headingText($column)] = trim($row[$column] ?? '');
            }
            if ($this->plan->columns->group !== null) {
                $attributes[$name]['group'] = trim($row[$this->plan->columns->group] ?? '');
            }
        }

        return $this->observations($attributes);
    }

    /** @param int $place row × Observations::COLUMNS + column of the cell, both from 0 */
    private function put(int $place, string $text, int $measure, int $entity, int $ordinal, int $status = 0): void
    {
        $value = $this->plan->numbers->read($text);
        if ($value === null) {
            [$row, $column] = [intdiv($place, Observations::COLUMNS), $place % Observations::COLUMNS];
            $figure = $this->figure($row, $column, $text);
            if ($figure === null || !$this->isInItsUnit($row, $column, $text, $measure, $figure->unit)) {
                return;
            }
            [$value, $status] = [
                $figure->value,
                $figure->status === Status::Measured ? $status : $figure->status->value,
            ];
        }
        if (isset($this->values[$measure][$entity][$ordinal])) {
            $row = intdiv($place, Observations::COLUMNS);
            $value = $this->combined($row, $measure, $entity, $ordinal, $value);
            if ($value === null) {
                return;
            }
        }
        $this->values[$measure][$entity][$ordinal] = $value;
        $this->places[$measure][$entity][$ordinal] = $place;
        if ($status !== 0) {
            $this->statuses[$measure][$entity][$ordinal] = $status;
        }
    }

    /**
     * A period that stands in several columns, put together: `2024-03`, or `2024-03-31`.
     *
     * @param list<string> $row
     */
    private function dated(array $row): string
    {
        $cell = static fn(?int $column): string => $column === null ? '' : trim($row[$column] ?? '');
        $month = PeriodNotation::monthOfYear($cell($this->plan->columns->month)) ?? $cell($this->plan->columns->month);
        $two = static fn(int|string $part): string => str_pad((string) $part, 2, '0', STR_PAD_LEFT);

        return $cell($this->plan->columns->period) .
            '-' .
            $two($month) .
            ($this->plan->columns->day === null ? '' : '-' . $two($cell($this->plan->columns->day)));
    }

    private function figure(int $row, int $column, string $text): ?Figure
    {
        $figure = Figure::read($this->plan->numbers, $text);
        if ($figure === null) {
            $this->problem(
                Problem::cell(
                    $row + 1,
                    $this->headingText($column),
                    $text,
                    "a number such as {$this->plan->numbers->example()}",
                ),
            );
        }

        return $figure;
    }

    /** Units that stand in the cells must be one and the same; it is then that of the measure. */
    private function isInItsUnit(int $row, int $column, string $text, int $measure, string $unit): bool
    {
        if ($unit === '') {
            return true;
        }
        $this->cellUnits[$measure] ??= $unit;
        if ($this->cellUnits[$measure] !== $unit) {
            $this->problem(
                Problem::cell(
                    $row + 1,
                    $this->headingText($column),
                    $text,
                    "a figure in {$this->cellUnits[$measure]}, as before it",
                ),
            );

            return false;
        }
        if (
            $this->measures[$measure]->unit === '' &&
            !isset($this->plan->measures[$this->measures[$measure]->name]['unit'])
        ) {
            $name = $this->measures[$measure]->name;
            $this->measures[$measure] = $this->measures[$measure]->counted(
                $unit,
                isset($this->plan->measures[$name]['kind']),
            );
        }

        return true;
    }

    /**
     * What stands in the place of a value that is there already and one that comes again; null to leave what is there.
     */
    private function combined(int $row, int $measure, int $entity, int $ordinal, float $value): ?float
    {
        $there = $this->values[$measure][$entity][$ordinal];
        $this->duplicateCount++;
        if ($this->plan->duplicates === Duplicates::Ask) {
            $first = intdiv($this->places[$measure][$entity][$ordinal], Observations::COLUMNS) + 1;
            $period = Period::at($this->measures[$measure]->frequency ?? $this->frequency(), $ordinal)->label();
            $this->problem(
                Problem::duplicate(
                    $row + 1,
                    $this->measures[$measure]->name,
                    "{$this->entities[$entity]}, {$period} again",
                    "one value; the first is in row {$first}",
                ),
            );

            return null;
        }
        $present = !is_nan($value);
        $repeats = $this->repeats[$measure][$entity][$ordinal] ?? (is_nan($there) ? 0 : 1);
        $this->repeats[$measure][$entity][$ordinal] = $repeats + ($present ? 1 : 0);

        return match ($this->plan->duplicates) {
            Duplicates::First => null,
            Duplicates::Last => $value,
            Duplicates::Sum => !$present ? null : ($repeats === 0 ? $value : $there + $value),
            Duplicates::Mean => !$present
                ? null
                : ($repeats === 0
                    ? $value
                    : $there + ($value - $there) / ($repeats + 1)),
        };
    }

    private function ordinal(int $row, int $column, string $text): ?int
    {
        if (!array_key_exists($text, $this->ordinals)) {
            $this->ordinals[$text] = $this->plan->periods->read($text);
        }
        $ordinal = $this->ordinals[$text];
        if ($ordinal === null) {
            $this->problem(
                Problem::cell(
                    $row + 1,
                    $this->headingText($column),
                    $text,
                    "a period such as {$this->plan->periods->notation->example()}",
                ),
            );
        }

        return $ordinal;
    }

    /** Whether of two rows of headings the upper one holds the periods. */
    private function isTurned(): bool
    {
        $column = $this->plan->columns->values[0] ?? 0;

        return $this->turned ??=
            $this->plan->periods->read($this->headings[$column] ?? '') === null &&
            $this->plan->periods->read($this->upper[$column] ?? '') !== null;
    }

    private function headingOrdinal(int $column): ?int
    {
        $key = "#{$column}";
        if (!array_key_exists($key, $this->ordinals)) {
            $text = ($this->plan->above !== null && $this->isTurned() ? $this->upper : $this->headings)[$column] ?? '';
            $this->ordinals[$key] = $this->plan->periods->read($text);
            if ($this->ordinals[$key] === null) {
                $this->problem(
                    Problem::cell(
                        ($this->plan->heading ?? 0) + 1,
                        'column ' . ($column + 1),
                        $text,
                        "a heading that is a period, such as {$this->plan->periods->notation->example()}",
                    ),
                );
            }
        }

        return $this->ordinals[$key];
    }

    private function entity(int $row, string $name): ?int
    {
        if (isset($this->entityIds[$name])) {
            return $this->entityIds[$name];
        }
        if (!mb_check_encoding($name, 'UTF-8')) {
            $this->problem(
                Problem::cell(
                    $row + 1,
                    $this->plan->columns->entity === null
                        ? 'heading'
                        : $this->headingText($this->plan->columns->entity),
                    $name,
                    'letters in UTF-8; the file may be written in another way than it begins',
                ),
            );

            return null;
        }
        $clean = FormulaGuard::unguard(trim((string) preg_replace('/\s+/u', ' ', $name)));
        if ($clean === '') {
            $this->problem(
                Problem::cell(
                    $row + 1,
                    $this->plan->columns->entity === null
                        ? 'heading'
                        : $this->headingText($this->plan->columns->entity),
                    $name,
                    'the name of an entity',
                ),
            );

            return null;
        }
        if (!isset($this->entityIds[$clean])) {
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
            $this->problem(
                Problem::cell(
                    $row + 1,
                    $this->plan->columns->measure === null
                        ? 'measure'
                        : $this->headingText($this->plan->columns->measure),
                    $name,
                    'the name of a measure',
                ),
            );

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

        return $says || count($this->plan->columns->values) > 1 ? $heading : $this->plan->stated->measureName;
    }

    private function headingText(int $column): string
    {
        $text = $this->headings[$column] ?? '';

        return $text === '' ? 'column ' . ($column + 1) : $text;
    }

    /** @param list<string> $row */
    private function overlong(int $number, array $row): void
    {
        $extra = trim(implode(' ', array_slice($row, $this->breadth)));
        if ($extra !== '') {
            $this->problem(
                Problem::cell(
                    $number + 1,
                    'column ' . ($this->breadth + 1),
                    $extra,
                    "the end of the row; there are {$this->breadth} headings",
                ),
            );
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
        return match ($this->plan->shape) {
            TableShape::YearsAcross => Frequency::Month,
            TableShape::Moment => $this->when()->frequency,
            default => $this->plan->periods->frequency,
        };
    }

    /** @param array<string, array<string, string>> $attributes */
    private function observations(array $attributes = []): Observations
    {
        $observations = new Observations(
            $this->frequency(),
            array_values($this->measures),
            $this->entities,
            $this->values,
            $this->places,
            $this->statuses,
            $this->problems,
            $this->problemCount,
            $this->duplicateCount,
            $this->rowCount,
            $attributes,
        );
        Limits::hold($observations);

        return $observations;
    }
}
