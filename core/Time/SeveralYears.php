<?php

declare(strict_types=1);

namespace DuskRail\Time;

/** Periods that are written with two years: fiscal years, their quarters, and spans of years. */
final class SeveralYears
{
    /** Years of the longest span that is read as one. */
    private const LONGEST = 10;

    public static function fiscalYear(string $text): ?Period
    {
        $over = preg_match('/^(?:fy ?)?(\d{4}) ?[-\/–] ?(\d{2}|\d{4})$/u', $text, $m) === 1;

        return $over && ((int) $m[1] + 1) % 100 === (int) $m[2] % 100 ? Period::fiscalYear((int) $m[1]) : null;
    }

    /**
     * `Q1 2021/22` and `2021-22 Q1` as the quarter of the calendar that it is.
     *
     * @param int $begins first month of the year
     */
    public static function quarter(string $text, int $begins): ?Period
    {
        $quarter = '(?:q|quarter |qtr )([1-4])';
        $isRead =
            preg_match("~^{$quarter}[-,:/ ]*(?:fy ?)?(\\d{4} ?[-/–] ?\\d{2,4})$~u", $text, $m) === 1 ||
            preg_match("~^(?:fy ?)?(?<year>\\d{4} ?[-/–] ?\\d{2,4})[-,:/ ]*{$quarter}$~u", $text, $n) === 1;
        $year = $isRead ? self::fiscalYear($m[2] ?? $n['year'] ?? '') : null;
        $part = (int) ($m[1] ?? $n[2] ?? 0);

        return $year === null ? null : YearPart::Quarter->ofFiscalYear($year->ordinal, $part, $begins);
    }

    /**
     * Several years together, as `2015-17` or `2015 to 2019`: of two it is a fiscal year.
     *
     * @return array{int, Period}|null how many, and the last
     */
    public static function span(string $text): ?array
    {
        $pattern = '/^([12]\d{3}) ?(?:[-–\/]|to|bis|à) ?(\d{2}|[12]\d{3})$/iu';
        if (preg_match($pattern, trim($text), $m) !== 1) {
            return null;
        }
        $last = strlen($m[2]) === 4 ? (int) $m[2] : intdiv((int) $m[1], 100) * 100 + (int) $m[2];
        $last += $last < (int) $m[1] ? 100 : 0;
        $years = $last - (int) $m[1] + 1;

        return $years > 2 && $years <= self::LONGEST ? [$years, Period::year($last)] : null;
    }
}
