<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\Columns;
use DuskRail\Reading\Heading;
use DuskRail\Reading\MeasureColumns;
use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Role;
use DuskRail\Reading\Table;
use DuskRail\Reading\Vocabulary;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** Periods down, and a column for each entity. */
final class EntitiesAcross extends Long
{
    public function name(): string
    {
        return 'entities-across';
    }

    public function label(): string
    {
        return 'entities in columns, periods in rows';
    }

    public function across(): string
    {
        return 'entity';
    }

    public function swapped(): string
    {
        return 'periods-across';
    }

    public function roles(): array
    {
        return [Role::Period, Role::Month, Role::Day, Role::Figures, Role::Out];
    }

    public function fits(Table $table): int
    {
        $down = $table->periods()->periodColumn();
        if ($down === null || $table->texts([$down[0]]) !== [] || $table->comesAgain($down[0])) {
            return 0;
        }

        $others = array_values(array_diff($table->columns, [$down[0]]));
        $isNamed = isset($table->sample->notes()['measure']) || (new MeasureColumns($table))->haveBenchmark($others);

        return count($others) === 1 && !$isNamed ? 20 : 60;
    }

    public function plan(Table $table, bool $asked = false): Plan
    {
        [$period, $periods] = $table->periods()->periodColumn() ?? [
            0,
            PeriodReading::of(PeriodNotation::Year),
        ];
        [$apart, $periods] = self::apart($table, $period, $periods);
        $columns = array_values(array_diff($table->columns, [$period, ...$apart]));
        if (!$asked) {
            $asides = array_filter(
                $columns,
                static fn(int $c): bool => !$table->isNumeric($c) ||
                    preg_match(Vocabulary::ASIDE, $table->words($c)) === 1,
            );
            $columns = array_values(array_diff($columns, $asides));
        }

        return self::planned(
            $table,
            $this->name(),
            Columns::of($columns, period: $period, month: $apart[0] ?? null, day: $apart[1] ?? null),
            $periods,
        );
    }

    public function explain(Plan $plan, Table $table): array
    {
        return [...self::explainPeriods($plan, $table), 'the headers of the value columns are entities'];
    }

    public function row(ObservationBuilder $builder, int $number, array $row): void
    {
        $plan = $builder->plan;
        $ordinal = $this->when($builder, $number, $row);
        if ($ordinal === null) {
            return;
        }
        $measure = $builder->measures->named(
            $number,
            $builder->measures->defaultName(),
            Heading::read($builder->headings->text($plan->columns->values[0] ?? 0))->unit,
        );
        if (
            $measure !== null &&
            $plan->periods->notation === PeriodNotation::Code &&
            !$builder->measures->hasFrequencyOf($number, $measure, $row[$plan->columns->period ?? 0] ?? '')
        ) {
            return;
        }
        $status = $builder->periods->statusOfCell($row[$plan->columns->period ?? 0] ?? '');
        foreach ($plan->columns->values as $column) {
            $entity = $builder->subjects->entity($number, Heading::read($builder->headings->text($column))->name);
            if (!isset($row[$column])) {
                $builder->short($number, $column);
            } elseif ($entity !== null && $measure !== null) {
                $place = self::place($number, $column);
                $builder->cells->put($place, $row[$column], $measure, $entity, $ordinal, $status);
            }
        }
    }
}
