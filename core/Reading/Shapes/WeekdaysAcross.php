<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Reading\ObservationBuilder;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Table;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;
use DuskRail\Time\Undated;
use DuskRail\Time\YearPart;

/** Weekdays across and weeks down: weeks of a year, or counted from the first. */
final class WeekdaysAcross extends PartsAcross
{
    public function name(): string
    {
        return 'weekdays-across';
    }

    public function label(): string
    {
        return 'weekdays in columns, weeks in rows';
    }

    protected function part(): YearPart
    {
        return YearPart::Weekday;
    }

    public function frequency(Plan $plan): Frequency
    {
        return Frequency::Day;
    }

    protected function wholes(Table $table): ?array
    {
        foreach ($table->columns as $column) {
            $cells = $table->different($column);
            $weeks = PeriodReading::detect($cells);
            if ($weeks?->frequency === Frequency::Week) {
                return [$column, $weeks];
            }
            $isNamed = preg_match(YearPart::Week->heading(), $table->words($column)) === 1;
            foreach ($isNamed ? [PeriodNotation::WeekOfYear, PeriodNotation::Number] : [] as $notation) {
                if (count($cells) > 1 && !in_array(null, array_map($notation->read(...), $cells), true)) {
                    return [$column, PeriodReading::of($notation)];
                }
            }
        }

        return null;
    }

    protected function ordinal(ObservationBuilder $builder, int $whole, string $heading): ?int
    {
        $weekday = YearPart::Weekday->number($heading);
        if ($weekday === null) {
            return null;
        }
        $week = $builder->plan->periods->notation === PeriodNotation::Number
            ? Undated::week($whole)
            : Period::at(Frequency::Week, $whole);

        return $week->firstDay() + $weekday - 1;
    }
}
