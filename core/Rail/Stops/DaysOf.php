<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\SeriesTable;
use DuskRail\Time\Calendar;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodRange;

/** Days that values are per, or that the values of a period stand for. */
final class DaysOf
{
    public const WORKING = 'working day';

    /**
     * What values per period are divided by to be per day: the days of the period, or of the shorter period that they
     * are per still, as months of which a year's mean was taken.
     *
     * @return list<float> along the axis
     */
    public static function eachUnit(SeriesTable $table, bool $working): array
    {
        $parts = self::unit($table);
        $days = [];
        for ($i = 0; $i < $table->axis->count; $i++) {
            $days[] = self::period($table, $i, $working) / ($parts === null ? 1 : self::parts($table, $i, $parts));
        }

        return $days;
    }

    /** The periods that an amount is counted per; null where it is per none of those that the axis has or is made of. */
    public static function unit(SeriesTable $table): ?Frequency
    {
        foreach ([$table->axis->frequency, Frequency::Quarter, Frequency::Month, Frequency::Week] as $frequency) {
            $isPart = $frequency === $table->axis->frequency || $frequency->isFinerThan($table->axis->frequency);
            if ($isPart && in_array($frequency->noun(), $table->unit->per, true)) {
                return $frequency;
            }
        }

        return null;
    }

    /**
     * Days of each period, of an incomplete one those that are in, of a table whose values are per day.
     *
     * @return list<int> along the axis
     */
    public static function each(SeriesTable $table): array
    {
        $working = in_array(self::WORKING, $table->unit->per, true);

        return array_map(
            static fn(int $i): int => self::period($table, $i, $working),
            $table->axis->count === 0 ? [] : range(0, $table->axis->count - 1),
        );
    }

    public static function period(SeriesTable $table, int $position, bool $working): int
    {
        $period = $table->axis->period($position);
        [$first, $last] = $table->extent?->days($period, $position) ?? [$period->firstDay(), $period->lastDay()];

        return $working ? Calendar::workingDays($first, $last) : $last - $first + 1;
    }

    /** How many shorter periods the values of a period stand for. */
    private static function parts(SeriesTable $table, int $position, Frequency $parts): int
    {
        $period = $table->axis->period($position);
        $extent = $table->extent;

        return $extent !== null && $extent->open === $position && $extent->parts === $parts && $extent->in > 0
            ? $extent->in
            : PeriodRange::between($period, $period)->at($parts)->count();
    }
}
