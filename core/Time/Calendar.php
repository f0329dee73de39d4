<?php

declare(strict_types=1);

namespace DuskRail\Time;

/**
 * The proleptic Gregorian calendar as arithmetic on day numbers (day 0 is 1970-01-01).
 *
 * Howard Hinnant, "chrono-Compatible Low-Level Date Algorithms" (2013), sections days_from_civil and civil_from_days;
 * integer arithmetic only, so neither time zones nor the range of a timestamp can interfere.
 */
final class Calendar
{
    public static function dayNumber(int $year, int $month, int $day): int
    {
        $year -= $month <= 2 ? 1 : 0;
        $era = intdiv($year >= 0 ? $year : $year - 399, 400);
        $yearOfEra = $year - $era * 400;
        $dayOfYear = intdiv(153 * ($month + ($month > 2 ? -3 : 9)) + 2, 5) + $day - 1;
        $dayOfEra = $yearOfEra * 365 + intdiv($yearOfEra, 4) - intdiv($yearOfEra, 100) + $dayOfYear;

        return $era * 146097 + $dayOfEra - 719468;
    }

    /** @return array{int, int, int} year, month, day */
    public static function date(int $dayNumber): array
    {
        $dayNumber += 719468;
        $era = intdiv($dayNumber >= 0 ? $dayNumber : $dayNumber - 146096, 146097);
        $dayOfEra = $dayNumber - $era * 146097;
        $yearOfEra = intdiv(
            $dayOfEra - intdiv($dayOfEra, 1460) + intdiv($dayOfEra, 36524) - intdiv($dayOfEra, 146096),
            365,
        );
        $dayOfYear = $dayOfEra - (365 * $yearOfEra + intdiv($yearOfEra, 4) - intdiv($yearOfEra, 100));
        $shifted = intdiv(5 * $dayOfYear + 2, 153);
        $month = $shifted < 10 ? $shifted + 3 : $shifted - 9;

        return [
            $yearOfEra + $era * 400 + ($month <= 2 ? 1 : 0),
            $month,
            $dayOfYear - intdiv(153 * $shifted + 2, 5) + 1,
        ];
    }

    public static function daysInMonth(int $year, int $month): int
    {
        $leap = ($year % 4 === 0 && $year % 100 !== 0) || $year % 400 === 0;

        return match ($month) {
            2 => $leap ? 29 : 28,
            4, 6, 9, 11 => 30,
            default => 31,
        };
    }

    /** Weeks counted from the Monday 1969-12-29, so that ISO weeks are consecutive integers. */
    public static function weekNumber(int $dayNumber): int
    {
        return (int) floor(($dayNumber + 3) / 7);
    }

    /**
     * ISO 8601 week date: a week belongs to the year that holds its Thursday.
     *
     * @return array{int, int} ISO year, week 1–53
     */
    public static function isoWeek(int $weekNumber): array
    {
        $thursday = $weekNumber * 7;
        [$year] = self::date($thursday);

        return [$year, intdiv($thursday - self::dayNumber($year, 1, 1), 7) + 1];
    }

    public static function weeksInYear(int $isoYear): int
    {
        return self::isoWeek(self::weekNumber(self::dayNumber($isoYear, 12, 28)))[1];
    }

    /** Days from Monday to Friday between two days, both included. */
    public static function workingDays(int $first, int $last): int
    {
        $until = static function (int $day): int {
            // Counted from the Monday 1969-12-29: five a whole week, then those of the week begun.
            $since = $day + 4;
            $weeks = (int) floor($since / 7);

            return $weeks * 5 + min(5, $since - $weeks * 7);
        };

        return $until($last) - $until($first - 1);
    }
}
