<?php

declare(strict_types=1);

namespace DuskRail\Time;

/**
 * Periods that all begin with the year, as companies report them: `3M 2024`, `H1 2024`, `9M 2024`, `FY 2024`; or
 * `Q1–Q3 2024`, `Jan–Sep 2024`. Each is known by the quarter that it ends with. Common practice, no source.
 */
final class YearToDate
{
    /** What says by itself that it is one. */
    private const PLAIN =
        '/^(?:[69] ?m(?:onths?|ths?)?\b|q1 ?[-–] ?q[23]\b|jan\w*\.? ?[-–] ?(?:jun|sep))|\b[69] ?m(?:onths?)?$/iu';

    private const ENDS = ['mar' => 1, 'jun' => 2, 'sep' => 3, 'dec' => 4];

    /** @param list<string> $texts of one column or one row of headings */
    public static function isIn(array $texts): bool
    {
        $halves = preg_grep('/^h[12]\b|\bh[12]$/i', $texts) ?: [];
        $seconds = preg_grep('/^h2\b|\bh2$/i', $texts) ?: [];
        $years = preg_grep('/^(?:fy|12 ?m)\b|\b(?:fy|12 ?m)$/i', $texts) ?: [];

        return preg_grep(self::PLAIN, $texts) !== [] || ($halves !== [] && $seconds === [] && $years !== []);
    }

    /** The quarter that it ends with; null where it is none. */
    public static function read(string $text): ?Period
    {
        $text = mb_strtolower(trim($text));
        $year = "(?<year>[12]\\d{3}|'?\\d{2})";
        $span =
            '(?:(?<months>3|6|9|12) ?(?:m|months?|mths?)|q1(?: ?[-–] ?q(?<to>[2-4]))?|(?<half>h1)|' .
            '(?<all>fy|full year|year)|jan[a-z]*\\.? ?[-–] ?(?<month>mar|jun|sep|dec)[a-z]*\\.?)';
        if (
            preg_match("/^{$span}[ ,-]*{$year}$/u", $text, $m, PREG_UNMATCHED_AS_NULL) !== 1 &&
            preg_match("/^{$year}[ ,-]*{$span}$/u", $text, $m, PREG_UNMATCHED_AS_NULL) !== 1
        ) {
            return null;
        }
        $quarter = match (true) {
            $m['months'] !== null => intdiv((int) $m['months'], 3),
            $m['to'] !== null => (int) $m['to'],
            $m['month'] !== null => self::ENDS[$m['month']],
            $m['half'] !== null => 2,
            default => $m['all'] !== null ? 4 : 1,
        };

        return Period::quarter(PeriodNotation::fullYear((string) $m['year']), $quarter);
    }
}
