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
    case FiscalYear = 'fiscal-year';
    case Code = 'code';
    case Number = 'number';

    private const MONTHS = 'jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec';

    private const MONTH_WORD = '(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?';

    public function frequency(): Frequency
    {
        return match ($this) {
            self::Year, self::FiscalYear => Frequency::Year,
            self::Number => Frequency::Number,
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
            self::FiscalYear => '2024/25',
            self::Code => '2024, 2024-Q1 or 2024-03, each as it is',
            self::Number => '17, a plain number in order',
        };
    }

    /** @return list<self> those that texts alone can speak for; a plain number or a mixture is something else until the rest of the table says so */
    public static function recognisable(): array
    {
        return array_values(array_filter(self::cases(), static fn(self $notation): bool => $notation !== self::Code && $notation !== self::Number));
    }

    /** The ordinal of the period a cell names, or null when it names none in this notation. */
    public function read(string $text): ?int
    {
        $text = mb_strtolower(trim($text));
        try {
            return $this->period($text)?->ordinal;
        } catch (UnknownPeriod) {
            return null;
        }
    }

    /** Month of the year, 1–12, when the text is a month's name and nothing else. */
    public static function monthOfYear(string $text): ?int
    {
        $text = self::inEnglish(mb_strtolower(trim($text)));
        if (preg_match('/^'.self::MONTH_WORD.'$/', $text, $m) !== 1) {
            return null;
        }
        $full = strtolower(Period::month(2000, self::monthNumber($m[1]))->label());

        return str_starts_with($full, rtrim($text, '.')) || $text === 'sept' || $text === 'sept.' ? self::monthNumber($m[1]) : null;
    }

    private function period(string $text): ?Period
    {
        $month = self::MONTH_WORD;
        $text = $this === self::MonthName || $this === self::DayName ? self::inEnglish($text) : $text;

        return match ($this) {
            self::Year => preg_match('/^(1[5-9]\d\d|2[0-2]\d\d)$/', $text) === 1 ? Period::year((int) $text) : null,
            self::FiscalYear => match (true) {
                // A year over the turn of two is known by the one it begins in; FY24 says one only.
                preg_match('/^(?:fy ?)?(\d{4}) ?[-\/–] ?(\d{2}|\d{4})$/u', $text, $m) === 1 && ((int) $m[1] + 1) % 100 === (int) $m[2] % 100 => Period::year((int) $m[1]),
                preg_match("/^fy ?(\d{4}|'?\d{2})$/", $text, $m) === 1 => Period::year(self::fullYear($m[1])),
                default => null,
            },
            self::Code => Period::parse(strtoupper($text)),
            self::Number => preg_match('/^[-−]?\d{1,7}(?:\.0+)?$/u', $text) === 1 ? Period::at(Frequency::Number, (int) str_replace('−', '-', $text)) : null,
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
                // A time of day is passed over: what happened at ten happened on that day.
                preg_match('/^(\d{4})[-\/.](\d{1,2})[-\/.](\d{1,2})(?:[t ]\d{1,2}:\d{2}(?::\d{2}(?:\.\d+)?)?(?:z|[-+]\d{2}:?\d{2})?)?$/', $text, $m) === 1,
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

    /** A text with the name of a month in any language of ICU put into English: `31 mars 2024`, `März 24`. */
    private static function inEnglish(string $text): string
    {
        if (preg_match('/[^\x00-\x7f]|\p{L}{3}/u', $text) !== 1 || mb_strlen($text) > 40) {
            return $text;
        }
        $names = self::monthNames();
        $text = preg_replace('/ de (?=\p{L}|\d)/u', ' ', $text) ?? $text;

        return preg_replace_callback(
            '/\p{L}[\p{L}\p{M}’\'.-]*\p{L}\.?/u',
            static fn(array $m): string => isset($names[rtrim($m[0], '.')]) ? explode('|', self::MONTHS)[$names[rtrim($m[0], '.')] - 1] : $m[0],
            $text,
            1,
        ) ?? $text;
    }

    /** @return array<string, int> number by name, full or short, without its full stop */
    private static function monthNames(): array
    {
        /** @var array<string, int>|null $names */
        static $names = null;
        if ($names === null) {
            /** @var array<string, int> $names */
            $names = require __DIR__.'/month-names.php';
        }

        return $names;
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
