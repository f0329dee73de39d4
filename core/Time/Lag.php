<?php

declare(strict_types=1);

namespace DuskRail\Time;

/** Which period is before which. */
final class Lag
{
    /**
     * For every position of an axis the position of the period before, or of the same period a year before; −1 where
     * the axis has none. 29 February and week 53 have none in most years.
     *
     * @return list<int>
     */
    public static function positions(PeriodAxis $axis, bool $yearAgo): array
    {
        $positions = [];
        for ($i = 0; $i < $axis->count; $i++) {
            $positions[] = $yearAgo ? self::yearBefore($axis, $i) ?? -1 : $i - 1;
        }

        return $positions;
    }

    /** Position of the same period a year before; null where the axis or that year has none. */
    public static function yearBefore(PeriodAxis $axis, int $position): ?int
    {
        $back = $axis->frequency->perYear();
        $then = $back === null ? self::before($axis->period($position))?->ordinal : $axis->first + $position - $back;

        return $then === null || $then < $axis->first ? null : $then - $axis->first;
    }

    private static function before(Period $period): ?Period
    {
        if ($period->frequency === Frequency::Week) {
            [$year, $week] = Calendar::isoWeek($period->ordinal);

            return $week > Calendar::weeksInYear($year - 1) ? null : Period::week($year - 1, $week);
        }
        [$year, $month, $day] = Calendar::date($period->ordinal);

        return $day > Calendar::daysInMonth($year - 1, $month) ? null : Period::day($year - 1, $month, $day);
    }
}
