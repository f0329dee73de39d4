<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\Columns;
use DuskRail\Reading\CrossedHeadings;
use DuskRail\Reading\Heading;
use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Role;
use DuskRail\Reading\Table;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** Periods down, and a column for each measure of each entity under two rows of headings. */
abstract class PairsAcross extends Long
{
    abstract protected function hasMeasuresAbove(): bool;

    public function across(): string
    {
        return 'entity and measure';
    }

    public function roles(): array
    {
        return [Role::Period, Role::Month, Role::Day, Role::Figures, Role::Out];
    }

    public function fits(Table $table): int
    {
        $crossed = $table->heading === null ? null : CrossedHeadings::in($table->sample, $table->heading);
        if ($crossed === null) {
            return 0;
        }
        // Under the upper row alone the lower one would be taken for values.
        $isAbove = $crossed->hasMeasuresAbove ?? ($crossed->heading === $table->heading ? null : false);
        if ($isAbove !== $this->hasMeasuresAbove()) {
            return 0;
        }
        $table = $table->under($crossed->heading);
        $down = $table->periods()->periodColumn();

        return $down !== null && !in_array($down[0], $crossed->columns, true) && !$table->comesAgain($down[0]) ? 96 : 0;
    }

    public function plan(Table $table, bool $asked = false): Plan
    {
        $crossed = $table->heading === null ? null : CrossedHeadings::in($table->sample, $table->heading);
        $table = $crossed === null ? $table : $table->under($crossed->heading);
        [$period, $periods] = $table->periods()->periodColumn() ?? [0, PeriodReading::of(PeriodNotation::Year)];
        [$apart, $periods] = self::apart($table, $period, $periods);
        $columns = $crossed->columns ?? array_values(array_diff($table->columns, [$period, ...$apart]));
        $columns = Columns::of($columns, period: $period, month: $apart[0] ?? null, day: $apart[1] ?? null);
        $above = $crossed->above ?? ($table->heading > 0 ? $table->heading - 1 : null);

        return self::planned($table, $this->name(), $columns, $periods)->with(['above' => $above]);
    }

    public function explain(Plan $plan, Table $table): array
    {
        $rows = ($plan->above ?? 0) + 1 . ' and ' . (($plan->heading ?? 0) + 1);
        $order = $this->hasMeasuresAbove() ? 'measures, and of their entities' : 'entities, and of their measures';

        return [...self::explainPeriods($plan, $table), "rows {$rows} are header rows of {$order}"];
    }

    public function row(ObservationBuilder $builder, int $number, array $row): void
    {
        $columns = $builder->plan->columns;
        $ordinal = $this->when($builder, $number, $row);
        if ($ordinal === null) {
            return;
        }
        $status = $builder->periods->statusOfCell($row[$columns->period ?? 0] ?? '');
        foreach ($columns->values as $column) {
            $names = [$builder->headings->over($column), $builder->headings->text($column)];
            [$entity, $measure] = $this->hasMeasuresAbove() ? array_reverse($names) : $names;
            $heading = Heading::read($measure);
            $subject = $builder->subjects->entity($number, $entity);
            $read = $builder->measures->named($number, $heading->name, $heading->unit);
            if (!isset($row[$column])) {
                $builder->short($number, $column);
            } elseif ($subject !== null && $read !== null) {
                $place = self::place($number, $column);
                $builder->cells->put($place, $row[$column], $read, $subject, $ordinal, $status);
            }
        }
    }
}
