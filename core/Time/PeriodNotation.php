<?php

declare(strict_types=1);

namespace DuskRail\Time;

/** A way of writing periods that files use. One column is read in one notation, so `03/04/2024` is never guessed cell by cell. */
enum PeriodNotation: string
{
    case Year = 'year';
    case HalfYear = 'half-year';
    case Quarter = 'quarter';
    case MonthNumber = 'month-number';
    case MonthName = 'month-name';
    case Week = 'week';
    case YearFirst = 'year-month-day';
    case DayFirst = 'day-month-year';
    case MonthFirst = 'month-day-year';
    case DayName = 'day-month-name';

    private const MONTHS = 'jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec';

    private const MONTH_WORD = '(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?';

    public function frequency(): Frequency
    {
        return match ($this) {
            self::Year => Frequency::Year,
            self::HalfYear => Frequency::HalfYear,
            self::Quarter => Frequency::Quarter,
            self::MonthNumber, self::MonthName => Frequency::Month,
            self::Week => Frequency::Week,
            default => Frequency::Day,
        };
    }

    /** What a cell in this notation looks like. */
    public function example(): string
    {
        return match ($this) {
            self::Year => '2024',
            self::HalfYear => '2024-H1',
            self::Quarter => '2024-Q1',
            self::MonthNumber => '2024-03',
            self::MonthName => 'Mar 2024',
            self::Week => '2024-W09',
            self::YearFirst => '2024-03-31',
            self::DayFirst => '31/03/2024',
            self::MonthFirst => '03/31/2024',
            self::DayName => '31 Mar 2024',
        };
    }

    /** The ordinal of the period a cell names, or null when it names none in this notation. */
    public function read(string $text): ?int
    {
        $text = strtolower(trim($text));
        try {
            return $this->period($text)?->ordinal;
        } catch (UnknownPeriod) {
            return null;
        }
    }

    /** Month of the year, 1–12, when the text is a month's name and nothing else. */
    public static function monthOfYear(string $text): ?int
    {
        $text = strtolower(trim($text));
        if (preg_match('/^'.self::MONTH_WORD.'$/', $text, $m) !== 1) {
            return null;
        }
        $full = strtolower(Period::month(2000, self::monthNumber($m[1]))->label());

        return str_starts_with($full, rtrim($text, '.')) || $text === 'sept' || $text === 'sept.' ? self::monthNumber($m[1]) : null;
    }

    private function period(string $text): ?Period
    {
        $month = self::MONTH_WORD;

        return match ($this) {
            self::Year => preg_match('/^(1[5-9]\d\d|2[0-2]\d\d)$/', $text) === 1 ? Period::year((int) $text) : null,
            self::HalfYear => match (true) {
                preg_match('/^(\d{4})[-\/ ]?h([12])$/', $text, $m) === 1 => Period::halfYear((int) $m[1], (int) $m[2]),
                preg_match('/^h([12])[-\/ ]?(\d{4})$/', $text, $m) === 1 => Period::halfYear((int) $m[2], (int) $m[1]),
                default => null,
            },
            self::Quarter => match (true) {
                preg_match('/^(\d{4})[-\/ ]?q([1-4])$/', $text, $m) === 1 => Period::quarter((int) $m[1], (int) $m[2]),
                preg_match('/^q([1-4])[-\/ ]?(\d{4})$/', $text, $m) === 1 => Period::quarter((int) $m[2], (int) $m[1]),
                default => null,
            },
            self::MonthNumber => match (true) {
                preg_match('/^(\d{4})(?:-|\/|\.| ?m)(\d{1,2})$/', $text, $m) === 1 => Period::month((int) $m[1], (int) $m[2]),
                preg_match('/^(\d{1,2})[-\/.](\d{4})$/', $text, $m) === 1 => Period::month((int) $m[2], (int) $m[1]),
                preg_match('/^((?:19|20)\d\d)(0[1-9]|1[0-2])$/', $text, $m) === 1 => Period::month((int) $m[1], (int) $m[2]),
                default => null,
            },
            self::MonthName => match (true) {
                preg_match("/^{$month}[- ,\\/]*(\\d{4}|'?\\d{2})$/", $text, $m) === 1 => Period::month(self::fullYear($m[2]), self::monthNumber($m[1])),
                preg_match("/^(\\d{4})[- ,\\/]*{$month}$/", $text, $m) === 1 => Period::month((int) $m[1], self::monthNumber($m[2])),
                default => null,
            },
            self::Week => preg_match('/^(\d{4})[- ]?w(\d{1,2})$/', $text, $m) === 1 ? Period::week((int) $m[1], (int) $m[2]) : null,
            self::YearFirst => match (true) {
                preg_match('/^(\d{4})[-\/.](\d{1,2})[-\/.](\d{1,2})(?:[t ]00:00(?::00(?:\.0+)?)?z?)?$/', $text, $m) === 1,
                preg_match('/^((?:19|20)\d\d)(\d\d)(\d\d)$/', $text, $m) === 1 => Period::day((int) $m[1], (int) $m[2], (int) $m[3]),
                default => null,
            },
            self::DayFirst => preg_match('/^(\d{1,2})[-\/.](\d{1,2})[-\/.](\d{4})$/', $text, $m) === 1
                ? Period::day((int) $m[3], (int) $m[2], (int) $m[1]) : null,
            self::MonthFirst => preg_match('/^(\d{1,2})[-\/.](\d{1,2})[-\/.](\d{4})$/', $text, $m) === 1
                ? Period::day((int) $m[3], (int) $m[1], (int) $m[2]) : null,
            self::DayName => match (true) {
                preg_match("/^(\\d{1,2})[- ]{$month}[- ,]*(\\d{4})$/", $text, $m) === 1 => Period::day((int) $m[3], self::monthNumber($m[2]), (int) $m[1]),
                preg_match("/^{$month} (\\d{1,2}),? (\\d{4})$/", $text, $m) === 1 => Period::day((int) $m[3], self::monthNumber($m[1]), (int) $m[2]),
                default => null,
            },
        };
    }

    private static function monthNumber(string $start): int
    {
        return intdiv((int) strpos(self::MONTHS, $start), 4) + 1;
    }

    /** Two-digit years fall in the hundred years that end in 2049 (the rule most spreadsheets use; common practice, no source). */
    private static function fullYear(string $text): int
    {
        $year = (int) ltrim($text, "'");

        return strlen($text) === 4 ? $year : $year + ($year < 50 ? 2000 : 1900);
    }
}
