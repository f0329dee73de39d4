<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\Columns;
use DuskRail\Reading\EntityColumns;
use DuskRail\Reading\EntityKeyChooser;
use DuskRail\Reading\MeasureColumns;
use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Role;
use DuskRail\Reading\Table;
use DuskRail\Reading\Vocabulary;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** Entities that are described by values, all of one moment. */
final class Moment extends Shape
{
    public function name(): string
    {
        return 'moment';
    }

    public function label(): string
    {
        return 'measures in columns, one point in time';
    }

    public function across(): string
    {
        return 'measure';
    }

    public function roles(): array
    {
        return [Role::Entity, Role::About, Role::Group, Role::Breakdown, Role::Figures, Role::Out];
    }

    public function frequency(Plan $plan): Frequency
    {
        return self::when($plan)->frequency;
    }

    public function fits(Table $table): int
    {
        if ($table->periods()->periodColumn() !== null) {
            return 0;
        }
        $others = array_diff($table->columns, [(new EntityColumns($table))->mostVaried($table->texts())]);
        $figures = array_filter($others, $table->isNumeric(...));

        return count($figures) > count($others) / 2 ? 50 : 10;
    }

    public function plan(Table $table, bool $asked = false): Plan
    {
        $entity =
            (new MeasureColumns($table))->entityNamed($table->columns) ??
            ((new EntityColumns($table))->mostVaried($table->texts()) ?? $table->named(
                $table->columns,
                Vocabulary::NUMBERED,
            ));
        $others = array_values(array_diff($table->columns, [$entity ?? -1]));
        $numbers = array_values(array_filter($others, $table->isNumeric(...)));
        $keys = EntityKeyChooser::of(
            $table,
            array_values(array_diff($others, [(new EntityColumns($table))->mostVaried($numbers) ?? -1])),
            $entity,
            [],
        );
        $figures = array_values(
            array_filter(
                $numbers,
                static fn(int $c): bool => !in_array($c, [...$keys->breakdowns, $keys->group], true) &&
                    // What tells more of an entity than a value of its own does, as its number in a list.
                    (!in_array($c, $keys->about, true) || $table->rowCount() < 2 * count($table->different($c))) &&
                    (preg_match(Vocabulary::NUMBERED, $table->words($c)) !== 1 ||
                        count($table->different($c)) < $table->rowCount()),
            ),
        );
        $group = $keys->group ?? $table->named(array_values(array_diff($others, $figures)), Vocabulary::GROUP);
        $split = array_values(array_diff($keys->breakdowns, [$group ?? -1]));

        return self::planned(
            $table,
            $this->name(),
            Columns::of(
                $figures,
                entity: $entity,
                about: array_values(array_diff($others, $figures, $split, [$group ?? -1])),
                group: in_array($group, $keys->breakdowns, true) ? null : $group,
                breakdown: $keys->breakdowns,
            ),
            PeriodReading::of(PeriodNotation::Number),
        );
    }

    public function explain(Plan $plan, Table $table): array
    {
        return [
            'no column or header contains a date, so all values are for one point in time; the headers ' .
            'are measures or categories',
            ...self::explainKeys($plan, $table),
        ];
    }

    public function row(ObservationBuilder $builder, int $number, array $row): void
    {
        $subject = $builder->subjects->ofRow($number, $row);
        if ($subject === null) {
            return;
        }
        $ordinal = self::when($builder->plan)->ordinal;
        foreach ($builder->plan->columns->values as $column) {
            $measure = $builder->measures->named($number, $builder->measures->nameOfColumn($column), '');
            if (!isset($row[$column])) {
                $builder->short($number, $column);
            } elseif ($measure !== null) {
                $builder->cells->put(self::place($number, $column), $row[$column], $measure, $subject, $ordinal);
            }
        }
    }

    /** The moment that a table without periods is of: the one that was said, or one that has no date. */
    private static function when(Plan $plan): Period
    {
        return $plan->stated->moment === '' ? Period::at(Frequency::Number, 1) : Period::parse($plan->stated->moment);
    }
}
