<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Status;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodNotation;

/**
 * What has been read of a table so far. A shape hands on the cells of its rows; here they become values, and what
 * cannot be read is listed, so that the user sees all of it at once and nothing is guessed in silence.
 *
 * A subject is an entity, or where values are broken down an entity and a category of each breakdown.
 */
final class ObservationBuilder
{
    private const NOTES_KEPT = 60;

    private const PROBLEMS_KEPT = 200;

    /** @var array<int, ReadMeasure> */
    private array $measures = [];

    /** @var array<string, int> */
    private array $measureIds = [];

    /** @var list<string> */
    private array $entities = [];

    /** @var array<string, int> by what is in the cells */
    private array $entityIds = [];

    /** @var array<string, int> by name in lower case */
    private array $entityFolds = [];

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

    public int $problemCount = 0;

    private int $duplicateCount = 0;

    public int $rowCount = 0;

    /** How many headings there are; 0 where there are none. */
    private int $breadth = 0;

    /** @var array<string, int|null> what the texts of the period column or headings mean */
    private array $ordinals = [];

    /** @var array<int, string> */
    private array $headings = [];

    /** @var array<int, string> of a row of headings over those, filled to the right */
    private array $upper = [];

    private ?bool $turned = null;

    /** Whether all rows may be plain; null until one was read. */
    private ?bool $isPlain = null;

    /** @var array{int, int, array<int, int>}|null columns of period and entity, and the measure of each column of values */
    private ?array $plain = null;

    /** @var array<string, Frequency> what the texts of the period column are, where each says so itself */
    private array $frequencies = [];

    /** @var array<string, string> units by what is in their column */
    private array $units = ['' => ''];

    /** @var array<string, string> first unit that is beside the name of a measure */
    private array $rowUnits = [];

    /** @var array<int, string> units that are in the cells, by measure */
    private array $cellUnits = [];

    public readonly EventAggregator $events;

    /** What the data of the row are to be multiplied by. */
    private float $factor = 1.0;

    /** @var list<list<string>> the categories of each combination, in the order of the columns; the first has none */
    private array $combinations = [[]];

    /** @var array<string, int> */
    private array $combinationIds = [];

    /** @var array<string, array<string, string>> what is said of entities, by name */
    private array $attributes = [];

    /** @var list<string> rows that hold no values but a text */
    private array $notes = [];

    /** The text of the row before, where it held nothing else. */
    private ?string $title = null;

    /** Title of the block that is being read, where there are several one under the other; null in the first. */
    private ?string $block = null;

    /**
     * @param Frequency $frequency of values that have none of their own
     * @param bool $isOfFigures whether a row without a value is no row of the table
     */
    public function __construct(
        public readonly Plan $plan,
        private readonly Frequency $frequency,
        private readonly bool $isOfFigures,
    ) {
        $this->events = new EventAggregator($plan);
    }

    /** @param list<string> $row at or above the headings */
    public function heading(int $number, array $row): void
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

    /**
     * Takes a row that holds no value: a note, a heading between rows, or the headings again.
     *
     * @param list<string> $row
     * @return bool whether it is one
     */
    public function isNonData(array $row): bool
    {
        $columns = $this->plan->columns;
        foreach ($columns->values as $column) {
            $cell = trim($row[$column] ?? '');
            if ($cell !== '') {
                return $cell === ($this->headings[$column] ?? null) && $this->isRepeatedHeader($row);
            }
        }
        $period = $columns->period === null ? '' : trim($row[$columns->period] ?? '');
        if (
            $columns->values === [] ||
            !$this->isOfFigures ||
            ($period !== '' &&
                ($this->plan->periods->read($period) !== null || PeriodNotation::monthOfYear($period) !== null))
        ) {
            return false;
        }
        $text = trim(implode(' ', array_filter(array_map(trim(...), $row))));
        if ($text !== '' && count($this->notes) < self::NOTES_KEPT) {
            $this->notes[] = mb_strimwidth(mb_scrub($text), 0, 300, '…');
            $this->title = $text;
        }

        return true;
    }

    /**
     * Whether they come again. Under a title, what follows is then another measure.
     *
     * @param list<string> $row
     */
    private function isRepeatedHeader(array $row): bool
    {
        if (array_map(trim(...), $row) !== $this->headings) {
            return false;
        }
        if ($this->title !== null) {
            array_pop($this->notes);
            [$this->block, $this->title] = [$this->title, null];
            $this->plain = null;
        }

        return true;
    }

    /** What is measured where neither a column nor a heading says so. */
    public function measureName(): string
    {
        return $this->block ?? $this->plan->stated->measureName;
    }

    /**
     * Whether rows are as plain as can be: a period, an entity and values, all without more about them. To be called
     * after one was read; those that are like it are then read by plain().
     */
    public function wasPlain(): void
    {
        if ($this->isPlain === false || $this->plain !== null) {
            return;
        }
        $columns = $this->plan->columns;
        $others = [$columns->measure, $columns->unit, $columns->multiplier, $columns->status, $columns->group];
        $this->isPlain ??=
            $this->breadth > 0 &&
            $this->plan->numbers === NumberNotation::Point &&
            $this->plan->periods->notation !== PeriodNotation::Code &&
            array_filter([...$others, $columns->month, $columns->day], is_int(...)) === [] &&
            [...$columns->about, ...$columns->qualifiers, ...$columns->breakdowns] === [];
        if ($this->isPlain && $columns->period !== null && $columns->entity !== null) {
            $measures = [];
            foreach ($columns->values as $column) {
                $measures[$column] = $this->measureIds[$this->valueName($column)] ?? null;
            }
            $this->plain =
                in_array(null, $measures, true) || $measures === []
                    ? null
                    : [$columns->period, $columns->entity, array_filter($measures, is_int(...))];
        }
    }

    /**
     * Reads a row like those before it, at a quarter of the cost: its period and its entity came before, its cells are
     * plain numbers, and nothing is in their places yet.
     *
     * @param list<string> $row
     * @return bool whether it is one; nothing is read otherwise
     */
    public function plain(int $number, array $row): bool
    {
        if ($this->plain === null || count($row) !== $this->breadth) {
            return false;
        }
        [$period, $entity, $measures] = $this->plain;
        $ordinal = $this->ordinals[$row[$period]] ?? null;
        $subject = $this->entityIds[$row[$entity]] ?? null;
        if ($ordinal === null || $subject === null) {
            return false;
        }
        foreach ($measures as $column => $measure) {
            $text = $row[$column];
            if (
                !is_numeric($text) ||
                strlen($text) > 30 ||
                strpbrk($text, 'eExX') !== false ||
                isset($this->values[$measure][$subject][$ordinal])
            ) {
                return false;
            }
        }
        $this->rowCount++;
        $this->title = null;
        foreach ($measures as $column => $measure) {
            $value = (float) $row[$column];
            // There is no zero below zero; adding 0.0 would do, but compilers leave that out.
            $this->values[$measure][$subject][$ordinal] = $value === 0.0 ? 0.0 : $value;
            $this->places[$measure][$subject][$ordinal] = $number * Observations::COLUMNS + $column;
        }

        return true;
    }

    /** @param list<string> $row of values */
    public function begin(int $number, array $row): void
    {
        $this->rowCount++;
        $this->title = null;
        $this->factor = $this->factor($row);
        if ($this->breadth > 0 && count($row) > $this->breadth) {
            $this->overlong($number, $row);
        }
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
     * Whom or what the data of a row are of.
     *
     * @param list<string> $row
     */
    public function subject(int $number, array $row): ?int
    {
        $columns = $this->plan->columns;
        $name = $columns->entity === null ? $this->plan->stated->entityName : $row[$columns->entity] ?? '';
        $entity = $this->entityIds[$name] ?? $this->entity($number, $name);
        if ($entity === null) {
            return null;
        }
        if (
            ($columns->about !== [] || $columns->group !== null) &&
            !isset($this->attributes[$this->entities[$entity]])
        ) {
            $this->describe($this->entities[$entity], $row);
        }
        if ($columns->breakdowns === []) {
            return $entity;
        }
        $categories = [];
        foreach ($columns->breakdowns as $column) {
            $categories[] = FormulaGuard::unguard(trim($row[$column] ?? ''));
        }
        $key = implode("\t", $categories);
        if (!isset($this->combinationIds[$key])) {
            $this->combinations[] = $categories;
            $this->combinationIds[$key] = count($this->combinations) - 1;
        }

        return $this->combinationIds[$key] * Observations::SUBJECTS + $entity;
    }

    /** @param list<string> $row */
    private function describe(string $entity, array $row): void
    {
        $columns = $this->plan->columns;
        $this->attributes[$entity] = [];
        foreach ($columns->about as $column) {
            $this->attributes[$entity][$this->headingText($column)] = trim($row[$column] ?? '');
        }
        if ($columns->group !== null) {
            $group = trim($row[$columns->group] ?? '');
            $this->attributes[$entity][$this->headingText($columns->group)] = $group;
            $this->attributes[$entity]['group'] = $group;
        }
    }

    private function subjectName(int $subject): string
    {
        $categories = $this->combinations[intdiv($subject, Observations::SUBJECTS)];

        return implode(', ', [$this->entities[$subject % Observations::SUBJECTS], ...$categories]);
    }

    /** @param list<string> $row */
    public function unit(array $row): string
    {
        $column = $this->plan->columns->unit;
        $text = $column === null ? '' : $row[$column] ?? '';

        return $this->units[$text] ??= Vocabulary::unit(FormulaGuard::unguard(trim($text)));
    }

    /**
     * What the data of a row are to be multiplied by.
     *
     * @param list<string> $row
     */
    private function factor(array $row): float
    {
        $column = $this->plan->columns->multiplier;
        if ($column === null) {
            return 1.0;
        }
        $power = trim($row[$column] ?? '');

        return preg_match('/^-?\d{1,2}$/', $power) === 1 ? 10.0 ** (int) $power : 1.0;
    }

    /** @param list<string> $row */
    public function measureOfRow(int $number, int $column, array $row): ?int
    {
        $columns = $this->plan->columns;
        $name = $columns->measure === null ? $this->valueName($column) : $row[$columns->measure] ?? '';

        return $this->qualified($number, $name, $row);
    }

    /**
     * The measure that is at the side of a row, or the only one.
     *
     * @param list<string> $row
     */
    public function measureAtSide(int $number, array $row): ?int
    {
        $columns = $this->plan->columns;

        return $this->qualified(
            $number,
            $columns->measure === null ? $this->measureName() : $row[$columns->measure] ?? '',
            $row,
        );
    }

    /** @param list<string> $row */
    private function qualified(int $number, string $name, array $row): ?int
    {
        $unit = $this->unit($row);
        foreach ($this->plan->columns->qualifiers as $column) {
            $part = trim($row[$column] ?? '');
            $name = $part === '' ? $name : Heading::read(trim($name))->name . ", {$part}";
        }
        // Figures of another unit are of another measure.
        $this->rowUnits[$name] ??= $unit;
        if ($this->rowUnits[$name] !== $unit && $unit !== '') {
            $name .= ", {$unit}";
        }

        return $this->measureIds[$name] ?? $this->measure($number, $name, $unit);
    }

    /** Where each period says itself what it is, those of one measure must be of one kind. */
    public function isOfItsKind(int $row, int $measure, string $text): bool
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
                    "a {$own->value}, like the other periods of {$this->measures[$measure]->name}",
                ),
            );

            return false;
        }

        return true;
    }

    public function pairedMeasure(int $column): string
    {
        return $this->isTurned() ? $this->headingText($column) : $this->upper[$column] ?? '';
    }

    /** Makes values of the events. */
    public function combineEvents(): void
    {
        foreach ($this->events->measures($this->headingText(...)) as [$measure, $values, $places]) {
            $this->measures[] = $measure->named($this->freeName($measure->name, $measure->unit));
            $this->values[] = $values;
            $this->places[] = $places;
        }
    }

    /** @param int $place row × Observations::COLUMNS + column of the cell, both from 0 */
    public function put(int $place, string $text, int $measure, int $subject, int $ordinal, int $status = 0): void
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
        if (isset($this->values[$measure][$subject][$ordinal])) {
            $row = intdiv($place, Observations::COLUMNS);
            $value = $this->combined($row, $measure, $subject, $ordinal, $value);
            if ($value === null) {
                return;
            }
        }
        $this->values[$measure][$subject][$ordinal] = $this->factor === 1.0 ? $value : $value * $this->factor;
        $this->places[$measure][$subject][$ordinal] = $place;
        if ($status !== 0) {
            $this->statuses[$measure][$subject][$ordinal] = $status;
        }
    }

    /**
     * A period that is in several columns, put together: `2024-03`, or `2024-03-31`.
     *
     * @param list<string> $row
     */
    public function dated(array $row): string
    {
        $cell = static fn(?int $column): string => $column === null ? '' : trim($row[$column] ?? '');
        $month = PeriodNotation::monthOfYear($cell($this->plan->columns->month)) ?? $cell($this->plan->columns->month);
        $two = static fn(int|string $part): string => str_pad((string) $part, 2, '0', STR_PAD_LEFT);

        return $cell($this->plan->columns->period) .
            '-' .
            $two($month) .
            ($this->plan->columns->day === null ? '' : '-' . $two($cell($this->plan->columns->day)));
    }

    public function figure(int $row, int $column, string $text): ?Figure
    {
        $figure = Figure::read($this->plan->numbers, $text, $this->plan->stated->letter);
        if ($figure === null) {
            $this->problem(
                Problem::cell(
                    $row + 1,
                    $this->headingText($column),
                    $text,
                    "a number, for example {$this->plan->numbers->example()}",
                ),
            );
        }

        return $figure;
    }

    /** Units that are in the cells must be one and the same; it is then that of the measure. */
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
                    "a value in {$this->cellUnits[$measure]}, like those above",
                ),
            );

            return false;
        }
        if (
            $this->measures[$measure]->unit === '' &&
            !isset($this->plan->stated->measures[$this->measures[$measure]->name]['unit'])
        ) {
            $name = $this->measures[$measure]->name;
            $this->measures[$measure] = $this->measures[$measure]->counted(
                $unit,
                isset($this->plan->stated->measures[$name]['kind']),
            );
        }

        return true;
    }

    /**
     * What is in the place of a value that is there already and one that comes again; null to leave what is there.
     */
    private function combined(int $row, int $measure, int $entity, int $ordinal, float $value): ?float
    {
        $there = $this->values[$measure][$entity][$ordinal];
        $this->duplicateCount++;
        if ($this->plan->duplicates === Duplicates::Ask) {
            $first = intdiv($this->places[$measure][$entity][$ordinal], Observations::COLUMNS) + 1;
            $period = Period::at($this->measures[$measure]->frequency ?? $this->frequency, $ordinal)->label();
            $this->problem(
                Problem::duplicate(
                    $row + 1,
                    $this->measures[$measure]->name,
                    "{$this->subjectName($entity)}, {$period} again",
                    "one value; the first is in row {$first}",
                ),
            );

            return null;
        }
        $present = !is_nan($value);
        $repeats = $this->repeats[$measure][$entity][$ordinal] ?? (is_nan($there) ? 0 : 1);
        $this->repeats[$measure][$entity][$ordinal] = $repeats + ($present ? 1 : 0);

        return match ($this->plan->duplicates->of($this->measures[$measure]->kind)) {
            Duplicates::First => null,
            Duplicates::Last => $value,
            Duplicates::Sum => !$present ? null : ($repeats === 0 ? $value : $there + $value),
            default => !$present ? null : ($repeats === 0 ? $value : $there + ($value - $there) / ($repeats + 1)),
        };
    }

    public function ordinal(int $row, int $column, string $text): ?int
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
                    "a period, for example {$this->plan->periods->notation->example()}",
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

    public function headingOrdinal(int $column): ?int
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
                        "a period as header, for example {$this->plan->periods->notation->example()}",
                    ),
                );
            }
        }

        return $this->ordinals[$key];
    }

    public function entity(int $row, string $name): ?int
    {
        if (isset($this->entityIds[$name])) {
            return $this->entityIds[$name];
        }
        if (!mb_check_encoding($name, 'UTF-8')) {
            return $this->unnamed(
                $row,
                $this->plan->columns->entity,
                $name,
                'UTF-8 text; from here the file may use another encoding',
            );
        }
        $clean = FormulaGuard::unguard(trim((string) preg_replace('/\s+/u', ' ', $name)));
        if ($clean === '') {
            return $this->unnamed($row, $this->plan->columns->entity, $name, 'an entity name');
        }
        // Capitals tell no entities apart, as they do not where values are kept.
        $folded = mb_strtolower($clean);
        if (!isset($this->entityFolds[$folded])) {
            $this->entities[] = $clean;
            $this->entityFolds[$folded] = count($this->entities) - 1;
        }

        return $this->entityIds[$name] = $this->entityFolds[$folded];
    }

    public function measure(int $row, string $name, string $unit): ?int
    {
        if (isset($this->measureIds[$name])) {
            return $this->measureIds[$name];
        }
        $clean = FormulaGuard::unguard(trim(mb_scrub($name)));
        if ($clean === '') {
            return $this->unnamed($row, $this->plan->columns->measure, $name, 'a measure name');
        }
        $heading = Heading::read($clean);
        $unit = $unit === '' ? $heading->unit : $unit;
        $read = $this->plan->describe($this->freeName($heading->name, $unit), $unit);
        $about = $this->plan->stated->measures[$read->name] ?? [];
        // A unit that is above the table is that of its first block.
        $isOfAnother = $this->block !== null && $unit === '' && !isset($about['unit']);
        $this->measures[] = $isOfAnother ? $read->counted('', isset($about['kind'])) : $read;

        return $this->measureIds[$name] = count($this->measures) - 1;
    }

    /** A name that no other measure of the file has: with its unit or a number where the heading alone is not enough. */
    private function freeName(string $name, string $unit): string
    {
        $taken = array_map(static fn(ReadMeasure $m): string => mb_strtolower($m->name), $this->measures);
        $free = $name;
        if ($unit !== '' && in_array(mb_strtolower($free), $taken, true)) {
            $free = $name = "{$name}, {$unit}";
        }
        for ($more = 2; in_array(mb_strtolower($free), $taken, true); $more++) {
            $free = "{$name} {$more}";
        }

        return $free;
    }

    /** @param int|null $column that it is in; null for a heading */
    private function unnamed(int $row, ?int $column, string $found, string $expected): null
    {
        $where = $column === null ? 'heading' : $this->headingText($column);
        $this->problem(Problem::cell($row + 1, $where, $found, $expected));

        return null;
    }

    /** What a column of values measures: its heading says, unless it is no more than “value”. */
    private function valueName(int $column): string
    {
        $heading = $this->headingText($column);
        $says = preg_match('/^(value|values|figure|amount|obs_value|column \d+)$/i', $heading) !== 1;

        return $says || count($this->plan->columns->values) > 1 ? $heading : $this->measureName();
    }

    public function headingText(int $column): string
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
                    "no cell here; the header row has {$this->breadth} cells",
                ),
            );
        }
    }

    public function short(int $row, int $column): void
    {
        $this->problem(Problem::cell($row + 1, $this->headingText($column), '', 'a cell here; the row is too short'));
    }

    public function problem(Problem $problem): void
    {
        $this->problemCount++;
        if (count($this->problems) < self::PROBLEMS_KEPT) {
            $this->problems[] = $problem;
        }
    }

    /**
     * Entities that stand for others: those that are said to, and those whose name says so, where there are others.
     *
     * @return array<string, string>
     */
    private function summaries(): array
    {
        $summaries = [];
        foreach ($this->entities as $name) {
            $kind = $this->plan->rows->summaries[$name] ?? Vocabulary::summary($name);
            if ($kind !== '') {
                $summaries[$name] = $kind;
            }
        }

        return count($this->entities) - count($summaries) >= 2 ? $summaries : [];
    }

    public function observations(): Observations
    {
        $observations = new Observations(
            $this->frequency,
            array_values($this->measures),
            $this->entities,
            $this->values,
            $this->places,
            $this->statuses,
            $this->problems,
            $this->problemCount,
            $this->duplicateCount,
            $this->rowCount,
            new Metadata(
                $this->attributes,
                $this->combinations,
                array_map($this->headingText(...), $this->plan->columns->breakdowns),
                $this->notes,
                $this->summaries(),
            ),
        );
        Limits::hold($observations);

        return $observations;
    }
}
