<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\Columns;
use DuskRail\Reading\EntityColumns;
use DuskRail\Reading\MeasureColumns;
use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Role;
use DuskRail\Reading\Table;
use DuskRail\Reading\Vocabulary;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** What entities are: a table without values. */
final class Attributes extends Shape
{
    public const NAME = 'attributes';

    public function name(): string
    {
        return self::NAME;
    }

    public function label(): string
    {
        return 'attributes of entities, no values over time';
    }

    public function across(): string
    {
        return 'values';
    }

    public function roles(): array
    {
        return [Role::Entity, Role::About, Role::Group, Role::Out];
    }

    public function fits(Table $table): int
    {
        $down = $table->periods()->periodColumn();
        if ($down === null) {
            return 30;
        }

        // With a year (of joining, of opening) but no value beside it, the rows describe entities.
        return count($table->texts([$down[0]])) === count($table->columns) - 1 && count($table->columns) > 1
            ? ($down[1]->notation->frequency() === Frequency::Day
                ? 30
                : 95)
            : 0;
    }

    public function plan(Table $table, bool $asked = false): Plan
    {
        $entity =
            (new MeasureColumns($table))->entityNamed($table->columns) ??
            ((new EntityColumns($table))->mostVaried($table->texts()) ?? (new EntityColumns($table))->mostVaried(
                $table->columns,
            ));
        $others = array_values(array_diff($table->columns, [$entity ?? -1]));
        $group = $table->named($others, Vocabulary::GROUP);

        return self::planned(
            $table,
            $this->name(),
            Columns::of([], entity: $entity, about: array_values(array_diff($others, [$group ?? -1])), group: $group),
            PeriodReading::of(PeriodNotation::Year),
            $table->numbers($others),
        );
    }

    public function explain(Plan $plan, Table $table): array
    {
        return ['no column or header row contains periods, so each row describes an entity'];
    }

    public function row(ObservationBuilder $builder, int $number, array $row): void
    {
        $builder->subjects->ofRow($number, $row);
    }
}
