<?php

declare(strict_types=1);

namespace DuskRail\Time;

/** Which period stands before which. */
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
        $back = $yearAgo ? $axis->frequency->perYear() : 1;
        $positions = [];
        for ($i = 0; $i < $axis->count; $i++) {
            $from = $back === null ? self::yearBefore($axis->period($i))?->ordinal : $axis->first + $i - $back;
            $positions[] = $from === null ? -1 : max(-1, $from - $axis->first);
        }

        return $positions;
    }

    private static function yearBefore(Period $period): ?Period
    {
        if ($period->frequency === Frequency::Week) {
            [$year, $week] = Calendar::isoWeek($period->ordinal);

            return $week > Calendar::weeksInYear($year - 1) ? null : Period::week($year - 1, $week);
        }
        [$year, $month, $day] = Calendar::date($period->ordinal);

        return $day > Calendar::daysInMonth($year - 1, $month) ? null : Period::day($year - 1, $month, $day);
    }
}
