<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\Columns;
use DuskRail\Reading\EntityColumns;
use DuskRail\Reading\EntityKeyChooser;
use DuskRail\Reading\MeasureColumns;
use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\PairedHeadings;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Role;
use DuskRail\Reading\Table;
use DuskRail\Reading\Vocabulary;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** Headings that are periods, or hold a measure and a period each, in one row or two. */
class PeriodsAcross extends Shape
{
    public function name(): string
    {
        return 'periods-across';
    }

    public function label(): string
    {
        return 'periods in columns, entities in rows';
    }

    public function across(): string
    {
        return 'period';
    }

    public function hasTimesAcross(): bool
    {
        return true;
    }

    public function swapped(): string
    {
        return 'entities-across';
    }

    public function roles(): array
    {
        return [
            Role::Entity,
            Role::About,
            Role::Group,
            Role::Breakdown,
            Role::Measure,
            Role::Qualifier,
            Role::Unit,
            Role::Multiplier,
            Role::Figures,
            Role::Out,
        ];
    }

    public function fits(Table $table): int
    {
        if (self::paired($table) !== null) {
            return 99;
        }
        $across = $table->periods()->periodsAcross();

        return match (true) {
            $across === null => 0,
            count($across[0]) >= 2 => 97,
            // A single period beside names.
            default => count($table->texts()) === count($table->columns) - 1 ? 55 : 0,
        };
    }

    private static function paired(Table $table): ?PairedHeadings
    {
        if ($table->heading === null) {
            return null;
        }

        $periods = $table->periods();

        return PairedHeadings::inTwoRows($table->sample, $table->heading) ??
            ($periods->periodsAcross() === null && $periods->periodColumn() === null
                ? PairedHeadings::inOne($table->sample, $table->heading)
                : null);
    }

    public function plan(Table $table, bool $asked = false): Plan
    {
        $paired = self::paired($table);
        if ($paired !== null) {
            return $this->pairedPlan($table->under($paired->heading), $paired);
        }
        // The other way round may be asked for although no heading reads as a period; the reader will say which do not.
        [$columns, $periods] = $table->periods()->periodsAcross() ?? [
            array_slice($table->columns, 1),
            PeriodReading::of(PeriodNotation::Year),
        ];
        $labels = array_values(array_diff($table->columns, $columns));

        return $this->labelled($table, $labels, $columns, $periods);
    }

    private function pairedPlan(Table $table, PairedHeadings $paired): Plan
    {
        $labels = array_values(array_diff($table->columns, $paired->columns));
        $plan = $this->labelled($table, $labels, $paired->columns, $paired->periods);

        return $plan->with(['above' => $paired->above, 'joined' => $paired->above === null]);
    }

    public function explain(Plan $plan, Table $table): array
    {
        $columns = $plan->columns->values;
        [$first, $last] = [$table->name($columns[0] ?? 0), $table->name($columns[count($columns) - 1] ?? 0)];
        $count = count($columns);

        return [
            match (true) {
                $plan->above !== null => 'rows ' .
                    ($plan->above + 1) .
                    ' and ' .
                    (($plan->heading ?? 0) + 1) .
                    ' are header rows of measures and periods',
                $plan->joined => "{$count} column headers contain a measure and a period, {$first} to {$last}",
                default => "{$count} column headers are periods, {$first} to {$last}",
            },
            ...self::explainYear($plan),
            ...self::explainKeys($plan, $table),
        ];
    }

    /**
     * @param list<int> $labels columns at the side
     * @param list<int> $columns columns of values
     */
    protected function labelled(Table $table, array $labels, array $columns, PeriodReading $periods): Plan
    {
        $unit = $table->named($labels, Vocabulary::UNIT);
        $multiplier = $table->named($labels, Vocabulary::MULTIPLIER);
        $measure = $table->named($labels, Vocabulary::MEASURE);
        $free = array_values(array_diff($labels, array_filter([$unit, $measure, $multiplier], is_int(...))));
        $entities = array_values(array_filter(
            [(new MeasureColumns($table))->entityNamed($free), (new EntityColumns($table))->mostVaried($free)],
            is_int(...),
        ));
        $keys = array_values(array_filter([$measure], is_int(...)));
        [$entity, $splitting] = EntityKeyChooser::best($table, $free, $entities, $keys);

        return self::planned(
            $table,
            $this->name(),
            Columns::of(
                $columns,
                entity: $entity,
                measure: $measure,
                unit: $unit,
                multiplier: $multiplier,
                about: $splitting->about,
                group: $splitting->group,
                breakdown: $splitting->breakdowns,
            ),
            $periods,
        );
    }

    public function row(ObservationBuilder $builder, int $number, array $row): void
    {
        $columns = $builder->plan->columns;
        $paired = $builder->plan->isPaired();
        $subject = $builder->subjects->ofRow($number, $row);
        if ($subject === null) {
            return;
        }
        $measure = $paired ? null : $builder->measures->ofRow($number, $row);
        if ($measure === null && !$paired) {
            return;
        }
        $unit = $builder->measures->unit($row);
        foreach ($columns->values as $column) {
            $ordinal = $builder->periods->ofHeading($column);
            if ($paired) {
                $measure = $builder->measures->named($number, $builder->headings->pairedMeasure($column), $unit);
            }
            if ($measure !== null && !isset($row[$column])) {
                $builder->short($number, $column);
            } elseif ($measure !== null && $ordinal !== null) {
                $place = self::place($number, $column);
                $status = $builder->periods->statusOfHeading($column);
                $builder->cells->put($place, $row[$column], $measure, $subject, $ordinal, $status);
            }
        }
    }

    /**
     * Puts a cell in a part of a year; one that a year does not have must be blank.
     *
     * @param array{int, int} $at row and column
     * @param list<string> $row
     * @param array{int, int, int|null} $of measure, subject, and the ordinal of the period
     */
    protected function putPart(ObservationBuilder $builder, array $at, array $row, array $of): void
    {
        [$number, $column] = $at;
        [$measure, $subject, $ordinal] = $of;
        if (!isset($row[$column])) {
            $builder->short($number, $column);
        } elseif ($ordinal !== null) {
            $builder->cells->put(self::place($number, $column), $row[$column], $measure, $subject, $ordinal);
        } elseif (trim($row[$column]) !== '') {
            $builder->problems->cell($number, $builder->headings->text($column), $row[$column], 'an empty cell');
        }
    }
}
