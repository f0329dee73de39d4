<?php

declare(strict_types=1);

namespace DuskRail\Time;

/**
 * What a column beside one of years may hold: the month, quarter, half or week; of a week the day. Names of months and
 * weekdays are those of ICU; the rest is common practice, no source.
 */
enum YearPart
{
    case Month;
    case Quarter;
    case HalfYear;
    case Week;
    case Weekday;

    /** @return list<self> those that with a year are a period */
    public static function ofYear(): array
    {
        return [self::Month, self::Quarter, self::HalfYear, self::Week];
    }

    /** What a column of it is called. */
    public function heading(): string
    {
        return match ($this) {
            self::Month => '/\b(month|monat|mois|mes|mese|maand|måned|miesiąc|mth)\b/iu',
            self::Quarter => '/\b(quarter|qtr|quartal|trimestre|trim|kwartaal|kvartal|kwartał|q)\b/iu',
            self::HalfYear => '/\b(half|half[- ]?year|semester|semestre|halbjahr|halvår)\b/iu',
            self::Week => '/\b(week|woche|semaine|semana|settimana|uge|uke|vecka|wk|kw)\b/iu',
            self::Weekday => '/\b(week ?day|day of( the)? week|wochentag|jour|día|giorno)\b/iu',
        };
    }

    /** How the period is read once it is put together with its year. */
    public function notation(): PeriodNotation
    {
        return match ($this) {
            self::Month => PeriodNotation::MonthNumber,
            self::Quarter => PeriodNotation::Quarter,
            self::HalfYear => PeriodNotation::HalfYear,
            self::Week => PeriodNotation::Week,
            self::Weekday => PeriodNotation::Weekday,
        };
    }

    public static function of(PeriodNotation $notation): self
    {
        return match ($notation) {
            PeriodNotation::Quarter => self::Quarter,
            PeriodNotation::HalfYear => self::HalfYear,
            PeriodNotation::Week => self::Week,
            default => self::Month,
        };
    }

    /** Its number in the year; null where the text names none. */
    public function number(string $text): ?int
    {
        $text = mb_strtolower(trim($text));
        // `Q1 (Apr-Jun)` says of which months it is.
        $text = $this === self::Quarter ? (string) preg_replace('/ ?\([\p{L} .–-]+\)$/u', '', $text) : $text;
        $roman = array_search($text, ['', 'i', 'ii', 'iii', 'iv'], true);
        [$before, $after, $most] = $this->around();
        $pattern = "/^(?:{$before})?[ .]?0?(\d{1,2})(?:\.|st|nd|rd|th)?[ ]?(?:{$after})?$/u";
        $number = match (true) {
            preg_match($pattern, $text, $m) === 1 => (int) $m[1],
            $this === self::Month => MonthNames::number($text),
            $this === self::Weekday => self::weekdays()[rtrim($text, '.')] ?? null,
            is_int($roman) && $roman > 0 => $roman,
            $text === 'first', $text === 'second' => $text === 'first' ? 1 : 2,
            default => null,
        };

        return $number !== null && $number >= 1 && $number <= $most ? $number : null;
    }

    /** @return array{string, string, int} what may be before and after a number, and the largest */
    private function around(): array
    {
        return match ($this) {
            self::Month => ['m', '', 12],
            self::Quarter => ['q|qtr|quarter|quartal|t|trim\.?|trimestre|kw\.?', 'q|qtr|quarter|quartal|trimestre', 4],
            self::HalfYear => ['h|s|half|semester|semestre', 'half|h|semester|semestre|halbjahr|half[- ]?year', 2],
            self::Week => ['w|wk|kw|week|woche|s|v|u', 'week|woche', 53],
            self::Weekday => ['day|tag', '', 7],
        };
    }

    public function frequency(): Frequency
    {
        return match ($this) {
            self::Month => Frequency::Month,
            self::Quarter => Frequency::Quarter,
            self::HalfYear => Frequency::HalfYear,
            self::Week => Frequency::Week,
            self::Weekday => Frequency::Day,
        };
    }

    /** As the second half of a period's code: `03`, `Q1`, `H2`, `W05`. */
    public function code(int $number): string
    {
        return match ($this) {
            self::Month => sprintf('%02d', $number),
            self::Quarter => "Q{$number}",
            self::HalfYear => "H{$number}",
            self::Week => sprintf('W%02d', $number),
            self::Weekday => (string) $number,
        };
    }

    /** What says by itself that it is such a part: `V3` may be a variable, and `S1` a site. */
    private function words(): string
    {
        return match ($this) {
            self::Month, self::Weekday => '/^\p{L}[^\d]*$/u',
            self::Quarter => '/^q ?[1-4]$|quart|qtr|trim|kw/iu',
            self::HalfYear => '/^h ?[12]$|half|sem|halb/iu',
            self::Week => '/^(w|wk|kw|week|woche|semaine|semana|settimana|uge|uke|vecka)[ .]?\d|\d\.? ?(week|woche)/iu',
        };
    }

    public function singular(): string
    {
        return substr($this->plural(), 0, -1);
    }

    public function plural(): string
    {
        return match ($this) {
            self::Month => 'months',
            self::Quarter => 'quarters',
            self::HalfYear => 'half-years',
            self::Week => 'weeks',
            self::Weekday => 'weekdays',
        };
    }

    /** The ordinal of the period with that number; null where a year has none, as a 53rd week of most years. */
    public function inYear(int $year, int $number): ?int
    {
        try {
            return Period::parse("{$year}-{$this->code($number)}")->ordinal;
        } catch (UnknownPeriod) {
            return null;
        }
    }

    /**
     * The month or quarter of the calendar that one of a fiscal year is.
     *
     * @param int $year in which the fiscal year begins
     * @param int $number of a month its place in the calendar, of a quarter that in the fiscal year
     * @param int $begins first month of the fiscal year
     */
    public function ofFiscalYear(int $year, int $number, int $begins): Period
    {
        if ($this !== self::Quarter) {
            return Period::month($number < $begins ? $year + 1 : $year, $number);
        }
        $month = $begins + 3 * ($number - 1);

        return Period::quarter($year + intdiv($month - 1, 12), intdiv(($month - 1) % 12, 3) + 1);
    }

    /** What it looks like where no year is with it. */
    public function example(): string
    {
        return match ($this) {
            self::Month => 'March',
            self::Quarter => 'Q1',
            self::HalfYear => 'H1',
            self::Week => 'Week 9',
            self::Weekday => 'Monday',
        };
    }

    /** The period of that number where no year is known; null where a text names none by itself. */
    public function undated(string $text): ?Period
    {
        $number = preg_match($this->words(), trim($text)) === 1 ? $this->number($text) : null;

        return $number === null
            ? null
            : match ($this) {
                self::Month => Undated::month($number),
                self::Quarter => Undated::quarter($number),
                self::HalfYear => Undated::halfYear($number),
                self::Week => Undated::week($number),
                self::Weekday => Undated::weekday($number),
            };
    }

    /** @return array<string, int> number by name, 1 for Monday, full or short, without its full stop */
    private static function weekdays(): array
    {
        /** @var array<string, int>|null $names */
        static $names = null;
        if ($names === null) {
            /** @var array<string, int> $names */
            $names = require __DIR__ . '/weekday-names.php';
        }

        return $names;
    }

    /**
     * What a column holds: by its heading and all its cells, or by cells that say it themselves, as `Q1` and `M03`.
     *
     * @param list<string> $cells that are different
     */
    public static function in(string $heading, array $cells): ?self
    {
        // A thirteenth month, a fifth quarter, a third half is the mean of the year.
        $isMean = static fn(string $c): bool => preg_match('/^(M13|Q05|S03)$/', $c) === 1;
        $cells = array_values(array_filter($cells, static fn(string $c): bool => !$isMean($c)));
        foreach ($cells === [] ? [] : self::ofYear() as $part) {
            $isNamed = preg_match($part->heading(), $heading) === 1;
            $letters = match ($part) {
                self::Month => '/^M\d\d$/',
                self::Quarter => '/^(Q|T)0?[1-4]$/i',
                self::HalfYear => '/^(H|S)0?[12]$/i',
                self::Week => '/^(W|KW) ?\d\d?$/i',
                self::Weekday => '/(?!)/',
            };
            $saysSo = count($cells) > 1 && preg_grep($letters, $cells) === $cells;
            $all = array_filter($cells, static fn(string $c): bool => $part->number($c) === null) === [];
            if ($all && ($isNamed || $saysSo)) {
                return $part;
            }
        }

        return null;
    }
}
