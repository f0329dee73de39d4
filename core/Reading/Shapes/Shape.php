<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\Columns;
use DuskRail\Reading\DateColumns;
use DuskRail\Reading\Duplicates;
use DuskRail\Reading\Figure;
use DuskRail\Reading\NumberNotation;
use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Preamble;
use DuskRail\Reading\Role;
use DuskRail\Reading\Sentinel;
use DuskRail\Reading\Stated;
use DuskRail\Reading\Table;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodReading;

/**
 * A way that tables are. To add one: write a class, and name it in TableShapes.
 *
 * It recognises its tables, says which column is what, and reads a row; what all shapes share is in Table, which knows
 * the columns, and in ObservationBuilder, which collects what is read.
 */
abstract class Shape
{
    /** What it is called in plans that are kept and in commands. */
    abstract public function name(): string;

    abstract public function label(): string;

    /** What the headings of the columns of values name. */
    abstract public function across(): string;

    /**
     * How a table would be read as one of these, whether it is one or not.
     *
     * @param bool $asked whether the user says that it is one
     */
    abstract public function plan(Table $table, bool $asked = false): Plan;

    /**
     * What a plan for such a table says, in words.
     *
     * @return list<string>
     */
    abstract public function explain(Plan $plan, Table $table): array;

    /** How surely a table is one of these: 0 for no; of all shapes the surest is proposed. */
    abstract public function fits(Table $table): int;

    /** @param list<string> $row of values */
    abstract public function row(ObservationBuilder $builder, int $number, array $row): void;

    /** After the last row. */
    public function end(ObservationBuilder $builder): void {}

    /** How often its values are, where the plan says nothing else. */
    public function frequency(Plan $plan): Frequency
    {
        return $plan->periods->frequency;
    }

    /** Name of the shape that a table has if it is the other way; nothing for none. */
    public function swapped(): string
    {
        return '';
    }

    /** Whether the headings of its columns of values are times, so that no other column can be one of values. */
    public function hasTimesAcross(): bool
    {
        return false;
    }

    /** Whether a period is a year in one place and its part in another. */
    public function hasPartsOfYears(): bool
    {
        return false;
    }

    /** Whether a row without a value is no row of it. */
    public function isOfFigures(): bool
    {
        return true;
    }

    /** @return list<Role> that columns of such a table can have */
    abstract public function roles(): array;

    protected static function planned(
        Table $table,
        string $shape,
        Columns $columns,
        PeriodReading $periods,
        ?NumberNotation $numbers = null,
    ): Plan {
        $notes = $table->sample->notes();
        $preamble = Preamble::of($table->sample, $table->heading);
        $name = $notes['measure'] ?? ($preamble->measure ?: $table->sample->title());
        $periods = $periods->notation->isInYear()
            ? PeriodReading::of($periods->notation, year: $table->year())
            : $periods;

        return new Plan(
            $shape,
            $table->heading,
            $columns,
            $periods,
            $numbers ?? $table->numbers($columns->values),
            $columns->period !== null && (new DateColumns($table))->hasTimes(
                $columns->period,
            ) ? Duplicates::ByKind : Duplicates::Ask,
            new Stated(
                $name,
                $table->sample->title(),
                unit: $preamble->unit,
                letter: Figure::letterOf($table->written($columns->values)),
                measures: self::described($notes, $name),
                missing: $notes === []
                    ? Sentinel::in($table->all($columns->values), $numbers ?? $table->numbers($columns->values))
                    : '',
            ),
        );
    }

    /**
     * What remarks above a table say of its measures.
     *
     * @param array<string, string> $notes
     * @param string $only the one measure that they are about where they do not name it
     * @return array<string, array{unit?: string, kind?: string, better?: string, per?: string}>
     */
    private static function described(array $notes, string $only): array
    {
        $about = array_intersect_key($notes, ['unit' => 1, 'kind' => 1, 'better' => 1, 'per' => 1]);
        $described = array_filter([$only => array_filter($about, static fn(string $text): bool => $text !== '')]);
        foreach ($notes as $name => $text) {
            if (str_starts_with($name, 'about ')) {
                [$kind, $better, $per] = [...explode('; ', $text, 3), '', '', ''];
                $weight = $per === '' ? [] : ['per' => $per];
                $described[substr($name, 6)] = ['kind' => $kind, 'better' => $better, ...$weight];
            }
        }

        return $described;
    }

    /**
     * What the columns of an entity, of breakdowns and of what is said of entities are, in words.
     *
     * @return list<string>
     */
    protected static function explainKeys(Plan $plan, Table $table): array
    {
        $columns = $plan->columns;
        $said = $columns->entity === null ? [] : ["“{$table->name($columns->entity)}” contains the entities"];
        foreach ($columns->breakdowns as $column) {
            $different = $table->different($column);
            $said[] =
                "“{$table->name($column)}” splits the values: " .
                implode(', ', array_slice($different, 0, 4)) .
                (count($different) > 4 ? ' …' : '');
        }
        $described = [...$columns->about, ...$columns->group === null ? [] : [$columns->group]];
        if ($described !== []) {
            $names = array_map(static fn(int $c): string => "“{$table->name($c)}”", $described);
            $said[] = implode(' and ', $names) . (count($names) === 1 ? ' says' : ' say') . ' more of each entity';
        }

        return $said;
    }

    /** @return list<string> how the period of a row is read */
    protected static function explainPeriods(Plan $plan, Table $table): array
    {
        $columns = $plan->columns;
        if ($columns->period === null) {
            return [];
        }
        if ($columns->month !== null) {
            $parts = array_filter([$columns->period, $columns->month, $columns->day], is_int(...));
            $names = array_map(static fn(int $c): string => "“{$table->name($c)}”", $parts);
            $said = [implode(' and ', $names) . ' together give the date'];
        } else {
            $cells = $table->different($columns->period);
            $said = ["“{$table->name($columns->period)}” contains periods, for example " . ($cells[0] ?? 'none')];
            if ($plan->periods->isAmbiguous($cells)) {
                $said[] = 'day and month are ambiguous; read as in ' . $plan->periods->notation->example();
            }
        }
        array_push($said, ...self::explainYear($plan));
        if ($plan->duplicates === Duplicates::ByKind) {
            $said[] = 'values at several times of a day become one: their sum of a flow, else their mean';
        }

        return $said;
    }

    /** @return list<string> of which year periods are that name none */
    protected static function explainYear(Plan $plan): array
    {
        return match (true) {
            !$plan->periods->notation->isInYear() => [],
            $plan->periods->year === null => ['no year is named, so the periods have none'],
            default => ["the year is {$plan->periods->year}, by the lines above or the name of the file"],
        };
    }

    /** @param list<string> $row */
    protected static function cell(array $row, ?int $column): string
    {
        return $column === null ? '' : trim($row[$column] ?? '');
    }

    /** A row and a column in one number. */
    protected static function place(int $row, int $column): int
    {
        return $row * Observations::COLUMNS + $column;
    }
}
