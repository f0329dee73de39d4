<?php

declare(strict_types=1);

namespace DuskRail\Time;

/**
 * Dates that are written as plain numbers, which only a heading tells from other numbers: years of two digits or with a
 * part as decimals, seconds or milliseconds since 1970 (POSIX.1-2017, 4.16), and days as spreadsheets count them
 * (ECMA-376, part 1, 18.17.4.1).
 */
final class NumberedDates
{
    /** Day 60 of a spreadsheet is a 29 February 1900 that never was; days after it are counted from here. */
    private const SPREADSHEET = 25_569;

    /** From 1927 to 2119: smaller numbers are counts of something else. */
    private const DAYS = [10_000, 80_000];

    /** From 1976 to 2065. */
    private const SECONDS = [200_000_000, 3_000_000_000];

    /**
     * The notation by which nearly all texts under a heading of time are dates; null for none.
     *
     * @param list<string> $texts that are different
     */
    public static function notation(string $words, array $texts): ?PeriodNotation
    {
        $isOfYears = preg_match('/\b(year|yr|jahr|année|año|anno|jaar|rok|år|ano)\b/iu', $words) === 1;
        $notations = $isOfYears
            ? [PeriodNotation::ShortYear]
            : [PeriodNotation::UnixTime, PeriodNotation::SpreadsheetDay];
        foreach (count($texts) < 2 ? [] : $notations as $notation) {
            $read = array_filter(array_map($notation->read(...), $texts), is_int(...));
            if (count($read) >= 0.9 * count($texts)) {
                return $notation;
            }
        }

        return null;
    }

    /**
     * Whether nearly all texts under a heading of weeks are a year with the number of a week, which would be a month
     * under another.
     *
     * @param list<string> $texts that are different
     */
    public static function areWeeks(string $words, array $texts): bool
    {
        $isOfWeeks = preg_match('/week|woche|semaine|\b(wk|kw|semana|settimana|uge|uke|vecka)\b/iu', $words) === 1;
        $read = $isOfWeeks ? array_filter(array_map(PeriodNotation::WeekNumber->read(...), $texts), is_int(...)) : [];

        return $read !== [] && count($read) >= 0.9 * count($texts);
    }

    /** `2024-05`, `2024/5`, `202405` and `05/2024` for the fifth week. */
    public static function week(string $text): ?Period
    {
        if (preg_match('~^(?<year>\d{4})[-/. ]?(?<week>\d{1,2})$~', $text, $m) !== 1) {
            preg_match('~^(?<week>\d{1,2})[-/.](?<year>\d{4})$~', $text, $m);
        }

        return isset($m['year'], $m['week']) ? Period::week((int) $m['year'], (int) $m['week']) : null;
    }

    public static function year(string $text): ?Period
    {
        return preg_match("/^'?(\d{2})(?:\.0)?$/", $text, $m) === 1
            ? Period::year((int) $m[1] + ((int) $m[1] < 50 ? 2000 : 1900))
            : null;
    }

    public static function unix(string $text): ?Period
    {
        if (preg_match('/^(\d{9,10})(\d{3})?(?:\.\d+)?$/', $text, $m) !== 1) {
            return null;
        }
        $seconds = (int) $m[1];

        return $seconds >= self::SECONDS[0] && $seconds <= self::SECONDS[1]
            ? Period::at(Frequency::Day, intdiv($seconds, 86_400))
            : null;
    }

    public static function spreadsheet(string $text): ?Period
    {
        $days = preg_match('/^(\d{5})(?:\.\d+)?$/', $text, $m) === 1 ? (int) $m[1] : 0;

        return $days >= self::DAYS[0] && $days <= self::DAYS[1]
            ? Period::at(Frequency::Day, $days - self::SPREADSHEET)
            : null;
    }

    /** Months are twelfths, whatever they have days, so that every twelfth of a year begins one. */
    public static function decimalYear(string $text): ?Period
    {
        if (preg_match('/^(1[5-9]\d\d|2[0-2]\d\d)([.,]\d+)?$/', $text, $m) !== 1) {
            return null;
        }
        $months = 12.0 * (float) ('0' . str_replace(',', '.', $m[2] ?? ''));
        $month = min(11, (int) floor($months + 0.01));
        $days = Calendar::daysInMonth((int) $m[1], $month + 1);
        $day = max(0, min($days - 1, (int) floor(($months - $month) * $days)));

        return Period::day((int) $m[1], $month + 1, $day + 1);
    }
}
