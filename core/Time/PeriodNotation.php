<?php

declare(strict_types=1);

namespace DuskRail\Time;

/**
 * A way of writing periods that files use. One column is read in one notation, so `03/04/2024` is never guessed cell by
 * cell.
 */
enum PeriodNotation: string
{
    case Year = 'year';
    case HalfYear = 'half-year';
    case Quarter = 'quarter';
    case MonthNumber = 'month-number';
    case MonthName = 'month-name';
    case Week = 'week';
    case WeekNumber = 'week-number';
    case YearFirst = 'year-month-day';
    case DayFirst = 'day-month-year';
    case MonthFirst = 'month-day-year';
    case DayName = 'day-month-name';
    case FiscalYear = 'fiscal-year';
    case FiscalQuarter = 'fiscal-quarter';
    case QuarterFromJuly = 'fiscal-quarter-july';
    case QuarterFromOctober = 'fiscal-quarter-october';
    case YearSpan = 'year-span';
    case YearToDate = 'year-to-date';
    case DecimalYear = 'decimal-year';
    case Code = 'code';
    case Number = 'number';
    case MonthOfYear = 'month-of-year';
    case QuarterOfYear = 'quarter-of-year';
    case HalfOfYear = 'half-of-year';
    case WeekOfYear = 'week-of-year';
    case Weekday = 'weekday';
    case Step = 'step';
    case ShortYear = 'short-year';
    case UnixTime = 'unix-time';
    case SpreadsheetDay = 'spreadsheet-day';

    /** Words before a number that is a place in an order; common practice, no source. */
    private const STEPS =
        'stage|step|round|lap|day|hour|hr|age|aged?|year|month|week|trial|wave|cycle|phase|session|visit|attempt|' .
        'match|game|generation|minute|min|km|level|rank|place|stufe|tag|jahr|runde|étape|jour|etapa|día';

    /** Those that a heading must speak for. */
    private const BY_HEADING = [
        self::Code,
        self::Number,
        self::WeekNumber,
        self::QuarterFromJuly,
        self::QuarterFromOctober,
        self::DecimalYear,
        self::Step,
        self::ShortYear,
        self::UnixTime,
        self::SpreadsheetDay,
    ];

    private const EXAMPLES = [
        'year' => '2024',
        'half-year' => '2024-H1',
        'quarter' => '2024-Q1',
        'month-number' => '2024-03',
        'month-name' => 'Mar 2024',
        'week' => '2024-W09',
        'week-number' => '2024-09 (year and week)',
        'year-month-day' => '2024-03-31',
        'day-month-year' => '31/03/2024',
        'month-day-year' => '03/31/2024',
        'day-month-name' => '31 Mar 2024',
        'fiscal-year' => '2024/25',
        'fiscal-quarter' => 'Q1 2024/25 (from April)',
        'fiscal-quarter-july' => 'Q1 2024/25 (from July)',
        'fiscal-quarter-october' => 'Q1 2024/25 (from October)',
        'year-span' => '2022–24 (by its last year)',
        'year-to-date' => '9M 2024 (since January)',
        'decimal-year' => '2024.25 (parts of a year)',
        'code' => '2024, 2024-Q1 or 2024-03 (mixed)',
        'number' => '17 (numbers, not dates)',
        'step' => 'Stage 3 (a word and a number)',
        'short-year' => '24 (year of two digits)',
        'unix-time' => '1711843200 (seconds since 1970)',
        'spreadsheet-day' => '45382 (days of a spreadsheet)',
    ];

    private const ROMAN = [1 => 'i', 2 => 'ii', 3 => 'iii', 4 => 'iv'];

    /** A time of day is passed over: what happened at ten happened on that day. */
    private const TIME =
        '(?:(?:[t ]|, )\d{1,2}:\d{2}(?::\d{2}(?:[.,]\d+)?)?(?: ?[ap]\.?m\.?)?' .
        '(?: ?(?:z|utc|gmt|[-+]\d{2}:?(?:\d{2})?))?)';

    /** The time of day that a date is written with; nothing where there is none. */
    public static function timeOf(string $text): string
    {
        return preg_match('/\d(' . self::TIME . ')$/i', trim($text), $m) === 1 ? ltrim($m[1], ' ,Tt') : '';
    }

    public function frequency(): Frequency
    {
        return match ($this) {
            self::Year, self::ShortYear, self::YearSpan => Frequency::Year,
            self::FiscalYear => Frequency::FiscalYear,
            self::Number, self::Step => Frequency::Number,
            self::HalfYear => Frequency::HalfYear,
            self::Quarter,
            self::FiscalQuarter,
            self::QuarterFromJuly,
            self::QuarterFromOctober,
            self::YearToDate
                => Frequency::Quarter,
            self::MonthNumber, self::MonthName => Frequency::Month,
            self::Week, self::WeekNumber => Frequency::Week,
            default => $this->part()?->frequency() ?? Frequency::Day,
        };
    }

    /** What a cell in this notation looks like. */
    public function example(): string
    {
        return self::EXAMPLES[$this->value] ?? ($this->part()?->example() ?? '') . ' (no year)';
    }

    /** What must be known of values of such periods; nothing where it is plain. */
    public function remark(): string
    {
        return match ($this) {
            self::YearSpan => 'each period is several years, and is named by the last of them',
            self::FiscalQuarter => 'Q1 is read as April to June; other period formats begin in July or October',
            self::YearToDate => 'each period begins with the year; flows are read as the amount of each quarter alone',
            default => '',
        };
    }

    /**
     * @param list<string> $texts that are to be read
     * @return list<self> those that texts alone can speak for; a plain number or a mixture is something else until
     *     the rest of the table says so
     */
    public static function recognisable(array $texts): array
    {
        $areToDate = YearToDate::isIn($texts);

        return array_values(
            array_filter(
                self::cases(),
                static fn(self $notation): bool => !in_array(
                    $notation,
                    [...self::BY_HEADING, ...self::undated()],
                    true,
                ) && ($notation !== self::YearToDate || $areToDate),
            ),
        );
    }

    /** @return list<self> those that name a place in a year or a week, and no year */
    public static function undated(): array
    {
        return array_values(array_filter(self::cases(), static fn(self $one): bool => $one->isUndated()));
    }

    public function isUndated(): bool
    {
        return $this->part() !== null;
    }

    /** Whether a year makes dates of what it reads: of a Monday it does not. */
    public function isInYear(): bool
    {
        return $this->isUndated() && $this !== self::Weekday;
    }

    /** The part of the year or the week that is named alone. */
    private function part(): ?YearPart
    {
        return match ($this) {
            self::MonthOfYear => YearPart::Month,
            self::QuarterOfYear => YearPart::Quarter,
            self::HalfOfYear => YearPart::HalfYear,
            self::WeekOfYear => YearPart::Week,
            self::Weekday => YearPart::Weekday,
            default => null,
        };
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

    private function period(string $text): ?Period
    {
        return match ($this) {
            self::Code => Period::parse(strtoupper($text)),
            self::Number => preg_match('/^[-−]?\d{1,7}(?:\.0+)?$/u', $text) === 1
                ? Period::at(Frequency::Number, (int) str_replace('−', '-', $text))
                : null,
            self::Year => self::year($text),
            self::FiscalYear, self::FiscalQuarter, self::QuarterFromJuly, self::QuarterFromOctober, self::YearSpan,
            self::YearToDate
                => $this->ofYears($text),
            self::WeekNumber => NumberedDates::week($text),
            self::DecimalYear => NumberedDates::decimalYear($text),
            self::Step => self::step($text),
            self::ShortYear => NumberedDates::year($text),
            self::UnixTime => NumberedDates::unix($text),
            self::SpreadsheetDay => NumberedDates::spreadsheet($text),
            default => $this->isUndated() ? $this->part()?->undated($text) : $this->partOfYear($text),
        };
    }

    private function ofYears(string $text): ?Period
    {
        return match ($this) {
            self::FiscalYear => SeveralYears::fiscalYear($text),
            self::FiscalQuarter => SeveralYears::quarter($text, 4),
            self::QuarterFromJuly => SeveralYears::quarter($text, 7),
            self::QuarterFromOctober => SeveralYears::quarter($text, 10),
            self::YearSpan => SeveralYears::span($text)[1] ?? null,
            default => YearToDate::read($text),
        };
    }

    /** `Stage 3`, `3rd round`, `05:00` for the fifth hour. */
    private static function step(string $text): ?Period
    {
        return preg_match('/^(?:' . self::STEPS . ')s?[ .:_-]*0*(\d{1,4})$/u', $text, $m) === 1 ||
            preg_match('/^0*(\d{1,4})(?:st|nd|rd|th|\.)? ?(?:' . self::STEPS . ')s?$/u', $text, $m) === 1 ||
            preg_match('/^([01]?\d|2[0-4])(?::00|h| ?uhr)$/u', $text, $m) === 1
            ? Period::number((int) $m[1])
            : null;
    }

    /** FY24 names one year and does not say of which two it is made, so it stays that one. */
    private static function year(string $text): ?Period
    {
        return preg_match(
            "/^(?:[xy]?(?<year>1[5-9]\d\d|2[0-2]\d\d)(?:\.0)?|fy ?(?<fiscal>\d{4}|'?\d{2}))$/",
            $text,
            $m,
        ) === 1
            ? Period::year(self::fullYear($m['fiscal'] ?? $m['year']))
            : null;
    }

    private function partOfYear(string $text): ?Period
    {
        if ($this === self::MonthName || $this === self::DayName) {
            $text = MonthNames::inEnglish($text);
        }
        foreach ($this->patterns() as $pattern) {
            if (preg_match($pattern, $text, $m) === 1) {
                return $this->periodOf(
                    self::fullYear($m['year']),
                    isset($m['from'])
                        ? intdiv(MonthNames::place($m['from']) + 2, 3)
                        : self::partNumber($m['part'] ?? ''),
                    (int) ($m['day'] ?? 0),
                );
            }
        }

        return null;
    }

    private function periodOf(int $year, int $part, int $day): Period
    {
        return match ($this) {
            self::HalfYear => Period::halfYear($year, $part),
            self::Quarter => Period::quarter($year, $part),
            self::Week => Period::week($year, $part),
            self::MonthNumber, self::MonthName => Period::month($year, $part),
            default => Period::day($year, $part, $day),
        };
    }

    /** @return list<string> with the groups `year`, `part` (of the year) and `day` */
    private function patterns(): array
    {
        $year = '(?<year>\d{4})';
        $two = '(?<part>\d{1,2})';
        $day = '(?<day>\d{1,2})';
        $name = '(?<part>' . MonthNames::WORD . ')';
        $time = self::TIME . '?';
        // Of two digits the year comes last.
        $any = '(?<year>\d{4}|\d{2})';
        $weekday = '(?:(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?,? )?';

        return match ($this) {
            self::HalfYear => [
                "~^{$year}[-/ ]?[hs](?<part>[12])$~",
                "~^[hs](?<part>[12])[-/ ]?{$year}$~",
                "~^(?<part>[12])[hs][-/ ]?{$year}$~",
                "~^(?<part>[12])(?:\\.|st|nd)? ?(?:half|semester|semestre|halbjahr)[-/ ]?{$year}$~",
                "~^(?<part>first|second) half of {$year}$~",
            ],
            self::Quarter => [
                "~^[xy]?{$year}[-/ :.]?q(?<part>[1-4])$~",
                "~^q(?<part>[1-4])[-/ ]?{$year}$~",
                "~^(?<part>[1-4])\\.? ?(?:q|qtr|quartal|quarter|trimestre)\\.?[-/ ]?{$year}$~",
                "~^{$year}[-/ :]*(?:quarter|quartal|qtr) ?(?<part>[1-4])$~",
                "~^(?:t|quarter |quartal )(?<part>[1-4])[-/ ]{$year}$~",
                "~^{$year}[-/ ]?t(?<part>[1-4])$~",
                "~^{$year}kw0(?<part>[1-4])$~",
                "~^q(?<part>[1-4])[-/ ]?(?<year>'?\\d{2})$~",
                "~^(?<part>[1-4])q[-/ ]?(?<year>\\d{4}|'?\\d{2})$~",
                "~^(?<part>[1-4])(?:st|nd|rd|th) (?:quarter|qtr)\\.?(?: of|,)? {$year}$~",
                "~^{$year},? (?<part>[1-4])(?:st|nd|rd|th) (?:quarter|qtr)$~",
                "~^(?<part>[1-4])\\.? ?(?:vj|vierteljahr|kwartał|kvartal|kw)\\.?[-/ ]{$year}$~",
                "~^(?<part>iv|i{1,3})\\.? ?(?:kw|kwartał|квартал|кв|quarter|qtr|trim|trimestre)\\.? ?{$year}$~u",
                "~^{$year}[-/ ]q?(?<part>iv|i{1,3})$~",
                ...self::quarters($year),
            ],
            self::Week => [
                "~^{$year}[- ]?w{$two}$~",
                "~^w(?:eek )?{$two}(?: of)? {$year}$~",
                "~^{$year}[-/ ]kw ?{$two}$~",
                "~^kw ?{$two}[-/ ]+{$year}$~",
            ],
            self::MonthNumber => [
                "~^[xy]?{$year}(?:-|/|\\.|:| ?m|mm){$two}$~",
                "~^{$two}[-/.]{$year}$~",
                '~^(?<year>(?:19|20)\d\d)(?<part>0[1-9]|1[0-2])$~',
            ],
            self::MonthName => ["~^{$name}[- ,/]*(?<year>\\d{4}|'?\\d{2})$~", "~^{$year}[- ,/]*{$name}$~"],
            self::YearFirst => [
                "~^{$year}[-/.]{$two}[-/.]{$day}{$time}$~",
                '~^(?<year>(?:19|20)\d\d)(?<part>\d\d)(?<day>\d\d)$~',
            ],
            self::DayFirst => ["~^{$day}[-/.]{$two}[-/.]{$any}{$time}$~"],
            self::MonthFirst => ["~^{$two}[-/.]{$day}[-/.]{$any}{$time}$~"],
            self::DayName => [
                "~^{$weekday}{$day}[- ]{$name}[- ,]*{$any}{$time}$~",
                "~^{$weekday}{$name} {$day},? {$year}{$time}$~",
            ],
            default => [],
        };
    }

    /**
     * Quarters by their first and last month: `Jan-Mar 2021`, `October to December 2021`, `Apr-23 to Jun-23`.
     *
     * @return list<string>
     */
    private static function quarters(string $year): array
    {
        $patterns = [];
        foreach ([['jan', 'mar'], ['apr', 'jun'], ['jul', 'sep'], ['oct', 'dec']] as [$first, $last]) {
            $to = "(?: ?[-–/] ?| to ){$last}[a-z]*\\.?";
            $patterns[] = "~^(?<from>{$first})[a-z]*\\.?{$to},? {$year}$~u";
            $patterns[] = "~^(?<from>{$first})[a-z]*\\.?[- ](?:'?\\d{2}|\\d{4}){$to}[- ](?<year>'?\\d{2}|\\d{4})$~u";
        }

        return $patterns;
    }

    /** A number, or that of the month whose name it is. */
    private static function partNumber(string $text): int
    {
        return match (true) {
            ctype_digit($text) => (int) $text,
            $text === 'first', $text === 'second' => $text === 'first' ? 1 : 2,
            in_array($text, self::ROMAN, true) => (int) array_search($text, self::ROMAN, true),
            default => MonthNames::place(substr($text, 0, 3)),
        };
    }

    /**
     * Two-digit years fall in the hundred years that end in 2049 (the rule most spreadsheets use; common practice, no
     * source).
     */
    public static function fullYear(string $text): int
    {
        $year = (int) ltrim($text, "'");

        return strlen($text) === 4 ? $year : $year + ($year < 50 ? 2000 : 1900);
    }
}
