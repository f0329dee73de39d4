<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\Columns;
use DuskRail\Reading\DateColumns;
use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Problem;
use DuskRail\Reading\Role;
use DuskRail\Reading\Table;
use DuskRail\Reading\Vocabulary;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** Months down and years across: one entity's values of one measure. */
final class YearsAcross extends Shape
{
    public function name(): string
    {
        return 'years-across';
    }

    public function label(): string
    {
        return 'years in columns, months in rows';
    }

    public function across(): string
    {
        return 'period';
    }

    public function hasTimesAcross(): bool
    {
        return true;
    }

    public function roles(): array
    {
        return [Role::Period, Role::Figures, Role::Out];
    }

    public function frequency(Plan $plan): Frequency
    {
        return Frequency::Month;
    }

    public function fits(Table $table): int
    {
        $across = $table->periods()->periodsAcross();

        return $across !== null &&
            count($across[0]) >= 2 &&
            $across[1]->notation === PeriodNotation::Year &&
            (new DateColumns($table))->monthsColumn() !== null &&
            count($table->texts()) === 1
            ? 98
            : 0;
    }

    public function plan(Table $table, bool $asked = false): Plan
    {
        [$columns, $periods] = $table->periods()->periodsAcross() ?? [
            array_slice($table->columns, 1),
            PeriodReading::of(PeriodNotation::Year),
        ];
        $months = (new DateColumns($table))->monthsColumn() ?? 0;
        $corner = $table->heading === null ? '' : $table->sample->cell($table->heading, $months);
        $plan = self::planned($table, $this->name(), Columns::of($columns, period: $months), $periods);

        // What is in the corner is what is counted, unless it only says “month”.
        return $corner === '' || preg_match(Vocabulary::PERIOD, $corner) === 1
            ? $plan
            : $plan->with(['measureName' => $corner]);
    }

    public function explain(Plan $plan, Table $table): array
    {
        return [
            count($plan->columns->values) . ' column headers are years',
            "“{$table->name($plan->columns->period ?? 0)}” contains months",
        ];
    }

    public function row(ObservationBuilder $builder, int $number, array $row): void
    {
        $plan = $builder->plan;
        $column = $plan->columns->period ?? 0;
        $text = $row[$column] ?? '';
        $month = PeriodNotation::monthOfYear($text);
        if ($month === null) {
            // The sum of the months, or their mean, is none of them.
            if (Vocabulary::benchmark($text) === null) {
                $builder->problems->add(
                    Problem::cell($number + 1, $builder->headings->text($column), $text, 'a month name'),
                );
            }

            return;
        }
        $measure = $builder->measures->named($number, $builder->measures->defaultName(), '');
        $entity = $builder->subjects->entity($number, $plan->stated->entityName);
        foreach ($plan->columns->values as $column) {
            $year = $builder->periods->ofHeading($column);
            if (!isset($row[$column])) {
                $builder->short($number, $column);
            } elseif ($year !== null && $measure !== null && $entity !== null) {
                $place = self::place($number, $column);
                $builder->cells->put($place, $row[$column], $measure, $entity, Period::month($year, $month)->ordinal);
            }
        }
    }
}
