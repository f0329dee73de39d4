<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** Works out what a table is from its first rows, and says in words what it went by. */
final readonly class Detection
{
    /** Headings by which columns are known; common practice, no source. */
    private const ENTITY = '/^(entity|entities|utility|company|organi[sz]ation|provider|name|country|area|region|site|plant|place|city|town|state|station|unit name|geo|location|district|branch|school|hospital)\b/i';

    private const PERIOD = '/\b(period|date|month|year|quarter|week|day|time)\b/i';

    private const MEASURE = '/^(measure|indicator|variable|item|metric|what)\b/i';

    private const UNIT = '/^units?\b/i';

    private const STATUS = '/^(status|flag|state of|quality|obs_status)\b/i';

    private const GROUP = '/\b(group|class|type|region|category|kind)\b/i';

    /** @param list<string> $evidence */
    private function __construct(public Plan $plan, public array $evidence) {}

    /**
     * @param Shape|null $shape the shape the user says it has; null to find out
     * @param int|null $heading the row she says the headings are in, -1 for none; null to find out
     *
     * @throws NotATable
     */
    public static function of(Sample $sample, ?Shape $shape = null, ?int $heading = null): self
    {
        if ($sample->width < 2) {
            throw NotATable::because(
                'The table has a single column.',
                'A table needs at least a column of periods or names and a column of figures; if its cells are parted by something else than comma, semicolon, tab or bar, save it as CSV.',
            );
        }
        $heading = $heading === null ? self::headingRow($sample) : ($heading < 0 ? null : min($heading, count($sample->rows) - 1));
        if ($heading !== null && $sample->column(0, $heading) === []) {
            throw NotATable::because('There is a heading row and nothing below it.', 'Bring a file that holds the figures too.');
        }
        $across = self::periodsAcross($sample, $heading);
        $down = self::periodColumn($sample, $heading);
        $shape ??= self::shape($sample, $heading, $across, $down);

        return match ($shape) {
            Shape::PeriodsAcross => self::acrossPlan($sample, $heading ?? 0, $across),
            Shape::YearsAcross => self::yearsPlan($sample, $heading ?? 0, $across),
            Shape::EntitiesAcross => self::entitiesPlan($sample, $heading ?? 0, $down),
            Shape::Attributes => self::attributesPlan($sample, $heading ?? 0),
            Shape::Long => self::longPlan($sample, $heading, $down),
        };
    }

    /**
     * @param array{list<int>, PeriodReading}|null $across
     * @param array{int, PeriodReading}|null $down
     */
    private static function shape(Sample $sample, ?int $heading, ?array $across, ?array $down): Shape
    {
        if ($across !== null && count($across[0]) >= 2) {
            return self::monthsColumn($sample, $heading) !== null && $across[1]->notation === PeriodNotation::Year
                ? Shape::YearsAcross : Shape::PeriodsAcross;
        }
        if ($down === null) {
            return Shape::Attributes;
        }

        $texts = self::textColumns($sample, $heading, [$down[0]]);
        if ($texts === []) {
            return Shape::EntitiesAcross;
        }

        // With a year (of joining, of opening) but no figure beside it, the rows describe entities.
        return count($texts) === $sample->breadth($heading) - 1 ? Shape::Attributes : Shape::Long;
    }

    /** The first row that is about as full as the fullest: titles and notes above a table leave most cells empty. */
    private static function headingRow(Sample $sample): ?int
    {
        foreach (array_slice($sample->rows, 0, 30) as $row => $cells) {
            $filled = count(array_filter($cells, static fn(string $c): bool => trim($c) !== ''));
            if ($filled >= 2 && $filled >= 0.6 * $sample->width && ! $sample->isNote($row)) {
                return self::looksLikeData($sample, $row) ? null : $row;
            }
        }

        return 0;
    }

    /** A first row is data when a cell in it reads as a period in a column of such periods, and another as a number among numbers. */
    private static function looksLikeData(Sample $sample, int $row): bool
    {
        $period = $number = false;
        for ($column = 0; $column < $sample->width; $column++) {
            $cell = $sample->cell($row, $column);
            $below = array_slice($sample->column($column, $row), 0, 50);
            $reading = PeriodReading::detect($below);
            if ($reading !== null) {
                $period = $period || $reading->read($cell) !== null;
            } elseif (self::isNumeric($below, $sample->delimiter)) {
                $number = $number || preg_match('/\d/', $cell) === 1 && NumberNotation::detect([$cell], $sample->delimiter)->read($cell) !== null;
            }
        }

        return $period && $number;
    }

    /** @return array{list<int>, PeriodReading}|null columns whose headings are periods, and how they read */
    private static function periodsAcross(Sample $sample, ?int $heading): ?array
    {
        $best = null;
        foreach (PeriodNotation::cases() as $notation) {
            $columns = [];
            $texts = [];
            for ($column = 0; $heading !== null && $column < $sample->breadth($heading); $column++) {
                if ($notation->read($sample->cell($heading, $column)) !== null) {
                    $columns[] = $column;
                    $texts[] = $sample->cell($heading, $column);
                }
            }
            if (count($columns) > ($best === null ? 0 : count($best[0]))) {
                $reading = PeriodReading::detect($texts);
                $best = [$columns, $reading !== null && $reading->notation === $notation ? $reading : PeriodReading::of($notation)];
            }
        }

        return $best;
    }

    /** @return array{int, PeriodReading}|null the column of periods: one that says so in its heading before any other */
    private static function periodColumn(Sample $sample, ?int $heading): ?array
    {
        $found = null;
        for ($column = 0; $column < $sample->breadth($heading); $column++) {
            $saysSo = preg_match(self::PERIOD, $sample->heading($column, $heading)) === 1;
            $reading = PeriodReading::detect($sample->column($column, $heading), $saysSo ? 0.5 : 0.9);
            if ($reading === null) {
                continue;
            }
            if ($saysSo) {
                return [$column, $reading];
            }
            $found ??= [$column, $reading];
        }

        return $found;
    }

    private static function monthsColumn(Sample $sample, ?int $heading): ?int
    {
        for ($column = 0; $column < $sample->breadth($heading); $column++) {
            $cells = array_filter($sample->column($column, $heading), static fn(string $c): bool => $c !== '');
            $months = array_filter($cells, static fn(string $c): bool => PeriodNotation::monthOfYear($c) !== null);
            if (count($months) >= 2 && count($months) >= 0.8 * count($cells)) {
                return $column;
            }
        }

        return null;
    }

    /**
     * @param list<int> $except
     * @return list<int> columns that do not hold numbers
     */
    private static function textColumns(Sample $sample, ?int $heading, array $except): array
    {
        $columns = [];
        for ($column = 0; $column < $sample->breadth($heading); $column++) {
            if (! in_array($column, $except, true) && ! self::isNumeric($sample->column($column, $heading), $sample->delimiter)) {
                $columns[] = $column;
            }
        }

        return $columns;
    }

    /** @param list<string> $cells */
    private static function isNumeric(array $cells, string $delimiter): bool
    {
        $cells = array_filter($cells, static fn(string $c): bool => ! NumberNotation::isMissing($c));
        if ($cells === []) {
            return false;
        }
        $notation = NumberNotation::detect(array_values($cells), $delimiter);
        $read = array_filter($cells, static fn(string $c): bool => $notation->read($c) !== null);

        return count($read) > 0.5 * count($cells);
    }

    /** @param list<int> $among */
    private static function named(Sample $sample, ?int $heading, array $among, string $pattern): ?int
    {
        foreach ($among as $column) {
            if (preg_match($pattern, $sample->heading($column, $heading)) === 1) {
                return $column;
            }
        }

        return null;
    }

    /** @param list<int> $among the column with the most different texts: names of entities rather than of groups or units */
    private static function mostVaried(Sample $sample, ?int $heading, array $among): ?int
    {
        $best = null;
        $most = 0;
        foreach ($among as $column) {
            $different = count(array_unique($sample->column($column, $heading)));
            if ($different > $most) {
                [$best, $most] = [$column, $different];
            }
        }

        return $best;
    }

    /** @param list<int> $columns */
    private static function numbers(Sample $sample, ?int $heading, array $columns): NumberNotation
    {
        $texts = [];
        foreach (array_slice($columns, 0, 40) as $column) {
            array_push($texts, ...$sample->column($column, $heading));
        }

        return NumberNotation::detect($texts, $sample->delimiter);
    }

    /** @param array{list<int>, PeriodReading}|null $across */
    private static function acrossPlan(Sample $sample, int $heading, ?array $across): self
    {
        // The other way round may be asked for although no heading reads as a period; the reader will say which do not.
        [$columns, $periods] = $across ?? [range(1, $sample->breadth($heading) - 1), PeriodReading::of(PeriodNotation::Year)];
        $labels = array_values(array_diff(range(0, $sample->breadth($heading) - 1), $columns));
        $unit = self::named($sample, $heading, $labels, self::UNIT);
        $measure = self::named($sample, $heading, $labels, self::MEASURE);
        $free = array_values(array_diff($labels, [$unit, $measure]));
        $entity = self::named($sample, $heading, $free, self::ENTITY) ?? self::mostVaried($sample, $heading, $free);

        return new self(
            self::plan($sample, Shape::PeriodsAcross, $heading, $entity, null, $measure, $unit, null, $columns, $periods),
            [count($columns).' column headings read as periods, from '.$sample->cell($heading, $columns[0]).' to '.$sample->cell($heading, $columns[count($columns) - 1])],
        );
    }

    /** @param array{list<int>, PeriodReading}|null $across */
    private static function yearsPlan(Sample $sample, int $heading, ?array $across): self
    {
        [$columns, $periods] = $across ?? [range(1, $sample->breadth($heading) - 1), PeriodReading::of(PeriodNotation::Year)];
        $months = self::monthsColumn($sample, $heading) ?? 0;
        $corner = $sample->cell($heading, $months);
        $plan = self::plan($sample, Shape::YearsAcross, $heading, null, $months, null, null, null, $columns, $periods);

        return new self(
            // What stands in the corner is what is counted, unless it only says “month”.
            $corner === '' || preg_match(self::PERIOD, $corner) === 1 ? $plan : $plan->with(['measureName' => $corner]),
            [count($columns).' column headings read as years', "“{$sample->heading($months, $heading)}” holds the months of the year"],
        );
    }

    /** @param array{int, PeriodReading}|null $down */
    private static function entitiesPlan(Sample $sample, int $heading, ?array $down): self
    {
        [$period, $periods] = $down ?? [0, PeriodReading::of(PeriodNotation::Year)];
        $columns = array_values(array_diff(range(0, $sample->breadth($heading) - 1), [$period]));

        return new self(
            self::plan($sample, Shape::EntitiesAcross, $heading, null, $period, null, null, null, $columns, $periods),
            [...self::periodEvidence($sample, $heading, $period, $periods), 'every other column holds figures, so its heading names an entity'],
        );
    }

    private static function attributesPlan(Sample $sample, int $heading): self
    {
        $columns = range(0, $sample->breadth($heading) - 1);
        $entity = self::named($sample, $heading, $columns, self::ENTITY) ?? self::mostVaried($sample, $heading, $columns);
        $others = array_values(array_diff($columns, [$entity]));
        $plan = self::plan($sample, Shape::Attributes, $heading, $entity, null, null, null, null, $others, PeriodReading::of(PeriodNotation::Year));

        return new self($plan, ['no column and no row of headings holds periods, so the rows describe entities']);
    }

    /** @param array{int, PeriodReading}|null $down */
    private static function longPlan(Sample $sample, ?int $heading, ?array $down): self
    {
        [$period, $periods] = $down ?? [0, PeriodReading::of(PeriodNotation::Year)];
        $texts = self::textColumns($sample, $heading, [$period]);
        $all = array_values(array_diff(range(0, $sample->breadth($heading) - 1), [$period]));
        $unit = self::named($sample, $heading, $texts, self::UNIT);
        $status = self::named($sample, $heading, $texts, self::STATUS);
        $measure = self::named($sample, $heading, $texts, self::MEASURE);
        $free = array_values(array_diff($texts, [$unit, $status, $measure]));
        $entity = self::named($sample, $heading, $all, self::ENTITY) ?? self::mostVaried($sample, $heading, $free);
        $values = array_values(array_diff($all, $texts, [$entity]));
        if ($values === []) {
            $values = array_slice(array_values(array_diff($all, [$unit, $status, $measure, $entity])), -1);
        }
        $evidence = self::periodEvidence($sample, $heading, $period, $periods);
        if ($entity !== null) {
            $evidence[] = "“{$sample->heading($entity, $heading)}” names the entities";
        }

        return new self(
            self::plan($sample, Shape::Long, $heading, $entity, $period, $measure, $unit, $status, $measure === null ? $values : array_slice($values, -1), $periods),
            $evidence,
        );
    }

    /** @return list<string> */
    private static function periodEvidence(Sample $sample, ?int $heading, int $column, PeriodReading $periods): array
    {
        $evidence = ["“{$sample->heading($column, $heading)}” holds periods such as {$sample->cell(($heading ?? -1) + 1, $column)}"];
        if ($periods->isAmbiguous($sample->column($column, $heading))) {
            $evidence[] = "day and month could be the other way round; they are read as in {$periods->notation->example()}";
        }

        return $evidence;
    }

    /** @param list<int> $values */
    private static function plan(
        Sample $sample,
        Shape $shape,
        ?int $heading,
        ?int $entity,
        ?int $period,
        ?int $measure,
        ?int $unit,
        ?int $status,
        array $values,
        PeriodReading $periods,
    ): Plan {
        $notes = $sample->notes();
        $name = $notes['measure'] ?? $sample->title();

        return new Plan(
            $shape, $heading, $entity, $period, $measure, $unit, $status, $values, $periods,
            self::numbers($sample, $heading, $values), Duplicates::Ask,
            array_filter([$name => array_intersect_key($notes, ['unit' => 1, 'kind' => 1])]), $name, $sample->title(),
            $shape === Shape::Attributes ? self::named($sample, $heading, $values, self::GROUP) : null,
        );
    }
}
