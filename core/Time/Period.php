<?php

declare(strict_types=1);

namespace DuskRail\Time;

/**
 * One period of one frequency, held as a number that counts up by one a period:
 * the year itself (of a fiscal year the one it begins in), half-years, quarters or months since year 0, ISO weeks since
 * 1969-12-29, days since 1970-01-01.
 */
final readonly class Period
{
    private const MONTHS = [
        'January',
        'February',
        'March',
        'April',
        'May',
        'June',
        'July',
        'August',
        'September',
        'October',
        'November',
        'December',
    ];

    private function __construct(public Frequency $frequency, public int $ordinal) {}

    public static function at(Frequency $frequency, int $ordinal): self
    {
        return new self($frequency, $ordinal);
    }

    public static function year(int $year): self
    {
        return new self(Frequency::Year, $year);
    }

    /** @param int $year the one it begins in: 2005 of 2005/06 */
    public static function fiscalYear(int $year): self
    {
        return new self(Frequency::FiscalYear, $year);
    }

    public static function halfYear(int $year, int $half): self
    {
        return new self(Frequency::HalfYear, $year * 2 + self::within($half, 1, 2, 'half') - 1);
    }

    public static function quarter(int $year, int $quarter): self
    {
        return new self(Frequency::Quarter, $year * 4 + self::within($quarter, 1, 4, 'quarter') - 1);
    }

    public static function month(int $year, int $month): self
    {
        return new self(Frequency::Month, $year * 12 + self::within($month, 1, 12, 'month') - 1);
    }

    /** @param int $isoYear the year of ISO 8601 week dates, which around new year is not the calendar year */
    public static function week(int $isoYear, int $week): self
    {
        self::within($week, 1, Calendar::weeksInYear($isoYear), "week of {$isoYear}");
        $first = Calendar::weekNumber(Calendar::dayNumber($isoYear, 1, 4));

        return new self(Frequency::Week, $first + $week - 1);
    }

    public static function day(int $year, int $month, int $day): self
    {
        self::within($month, 1, 12, 'month');
        self::within($day, 1, Calendar::daysInMonth($year, $month), 'day of the month');

        return new self(Frequency::Day, Calendar::dayNumber($year, $month, $day));
    }

    public static function number(int $number): self
    {
        return new self(Frequency::Number, $number);
    }

    /**
     * Reads what code(), label() and short() write; `#7` is the plain number 7, and `month#24228` any period by its
     * frequency and ordinal.
     */
    public static function parse(string $text): self
    {
        $text = trim($text);

        return match (true) {
            preg_match('/^(\d{4})$/', $text, $m) === 1 => self::year((int) $m[1]),
            preg_match('/^(\d{4})\/(\d{2})$/', $text, $m) === 1 && ((int) $m[1] + 1) % 100 === (int) $m[2]
                => self::fiscalYear((int) $m[1]),
            preg_match('/^(\d{4})-H([12])$/', $text, $m) === 1 => self::halfYear((int) $m[1], (int) $m[2]),
            preg_match('/^(\d{4})-Q([1-4])$/', $text, $m) === 1 => self::quarter((int) $m[1], (int) $m[2]),
            preg_match('/^(\d{4})-(\d{2})$/', $text, $m) === 1 => self::month((int) $m[1], (int) $m[2]),
            preg_match('/^(\d{4})-W(\d{2})$/', $text, $m) === 1 => self::week((int) $m[1], (int) $m[2]),
            preg_match('/^(\d{4})-(\d{2})-(\d{2})$/', $text, $m) === 1 => self::day(
                (int) $m[1],
                (int) $m[2],
                (int) $m[3],
            ),
            preg_match('/^#(-?\d{1,9})$/', $text, $m) === 1 => self::number((int) $m[1]),
            preg_match('/^([a-z-]+)#(-?\d{1,9})$/', $text, $m) === 1 && Frequency::tryFrom($m[1]) !== null => self::at(
                Frequency::from($m[1]),
                (int) $m[2],
            ),
            default => self::inWords($text) ?? (Undated::parse($text) ?? throw UnknownPeriod::inText($text)),
        };
    }

    /** Reads what label() and short() write, in any letters. */
    private static function inWords(string $text): ?self
    {
        $starts = array_map(static fn(string $month): string => strtolower(substr($month, 0, 3)), self::MONTHS);
        $names = implode('|', $starts);
        $pattern =
            "/^(?:(?<month>{$names})[a-z]* |(?<day>\\d{1,2}) (?<of>{$names})[a-z]* |(?<quarter>Q[1-4]) |" .
            '(?<half>H[12]|first half of|second half of) |(?<week>W|week )(?<number>\d{1,2})(?: of)? )' .
            '(?<year>\d{4})$/i';
        if (preg_match($pattern, $text, $m, PREG_UNMATCHED_AS_NULL) !== 1) {
            return null;
        }
        $year = (int) $m['year'];
        $number = static fn(string $name): int => (int) array_search(strtolower($name), $starts, true) + 1;

        return match (true) {
            $m['month'] !== null => self::month($year, $number($m['month'])),
            $m['quarter'] !== null => self::quarter($year, (int) $m['quarter'][1]),
            $m['half'] !== null => self::halfYear($year, preg_match('/2|second/i', $m['half']) === 1 ? 2 : 1),
            $m['week'] !== null => self::week($year, (int) $m['number']),
            default => self::day($year, $number((string) $m['of']), (int) $m['day']),
        };
    }

    /**
     * The unmistakable written form: 2024, 2024/25, 2024-H1, 2024-Q1, 2024-03, 2024-W05 (ISO 8601), 2024-03-31, #7;
     * where there is no year, as label().
     */
    public function code(): string
    {
        $n = $this->ordinal;
        if (Undated::holds($this)) {
            return Undated::label($this, false);
        }

        return match ($this->frequency) {
            Frequency::Year => sprintf('%04d', $n),
            Frequency::FiscalYear => sprintf('%04d/%02d', $n, ($n + 1) % 100),
            Frequency::HalfYear => sprintf('%04d-H%d', intdiv($n, 2), ($n % 2) + 1),
            Frequency::Quarter => sprintf('%04d-Q%d', intdiv($n, 4), ($n % 4) + 1),
            Frequency::Month => sprintf('%04d-%02d', intdiv($n, 12), ($n % 12) + 1),
            Frequency::Week => sprintf('%04d-W%02d', ...Calendar::isoWeek($n)),
            Frequency::Day => sprintf('%04d-%02d-%02d', ...Calendar::date($n)),
            Frequency::Number => "#{$n}",
        };
    }

    /**
     * In words, in full: 2024, 2024/25, first half of 2024, Q1 2024, March 2024, week 5 of 2024, 31 March 2024; March,
     * week 5, Monday where there is no year.
     */
    public function label(): string
    {
        $n = $this->ordinal;
        if (Undated::holds($this)) {
            return Undated::label($this, false);
        }

        return match ($this->frequency) {
            Frequency::Year, Frequency::Number => (string) $n,
            Frequency::FiscalYear => $this->code(),
            Frequency::HalfYear => ($n % 2 === 0 ? 'first' : 'second') . ' half of ' . intdiv($n, 2),
            Frequency::Quarter => sprintf('Q%d %d', ($n % 4) + 1, intdiv($n, 4)),
            Frequency::Month => self::MONTHS[$n % 12] . ' ' . intdiv($n, 12),
            Frequency::Week => vsprintf('week %2$d of %1$d', Calendar::isoWeek($n)),
            Frequency::Day => self::dayLabel($n, false),
        };
    }

    /** As short as stays clear: H1 2024, Mar 2024, 31 Mar 2024. */
    public function short(): string
    {
        $n = $this->ordinal;
        if (Undated::holds($this)) {
            return Undated::label($this, true);
        }

        return match ($this->frequency) {
            Frequency::HalfYear => sprintf('H%d %d', ($n % 2) + 1, intdiv($n, 2)),
            Frequency::Month => self::monthShort(($n % 12) + 1) . ' ' . intdiv($n, 12),
            Frequency::Week => vsprintf('W%2$d %1$d', Calendar::isoWeek($n)),
            Frequency::Day => self::dayLabel($n, true),
            default => $this->label(),
        };
    }

    public static function monthShort(int $month): string
    {
        return substr(self::MONTHS[$month - 1], 0, 3);
    }

    public function plus(int $periods): self
    {
        return new self($this->frequency, $this->ordinal + $periods);
    }

    /**
     * The calendar year it is in (of a week: the ISO year; of a fiscal year: the one it begins in). A plain number
     * has none and answers itself.
     */
    public function yearNumber(): int
    {
        return match ($this->frequency) {
            Frequency::Year, Frequency::FiscalYear, Frequency::Number => $this->ordinal,
            Frequency::HalfYear => intdiv($this->ordinal, 2),
            Frequency::Quarter => intdiv($this->ordinal, 4),
            Frequency::Month => intdiv($this->ordinal, 12),
            Frequency::Week => Calendar::isoWeek($this->ordinal)[0],
            Frequency::Day => Calendar::date($this->ordinal)[0],
        };
    }

    /** Day number of its first day; a fiscal year does not say its own, and July halves its two years. */
    public function firstDay(): int
    {
        $n = $this->ordinal;

        return match ($this->frequency) {
            Frequency::Year => Calendar::dayNumber($n, 1, 1),
            Frequency::FiscalYear => Calendar::dayNumber($n, 7, 1),
            Frequency::HalfYear => Calendar::dayNumber(intdiv($n, 2), ($n % 2) * 6 + 1, 1),
            Frequency::Quarter => Calendar::dayNumber(intdiv($n, 4), ($n % 4) * 3 + 1, 1),
            Frequency::Month => Calendar::dayNumber(intdiv($n, 12), ($n % 12) + 1, 1),
            Frequency::Week => $n * 7 - 3,
            Frequency::Day, Frequency::Number => $n,
        };
    }

    /** Day number of its last day. */
    public function lastDay(): int
    {
        return $this->plus(1)->firstDay() - 1;
    }

    /** The period of the frequency that holds this one's middle day (a week belongs to the year of its Thursday). */
    public function in(Frequency $frequency): self
    {
        if ($frequency === $this->frequency) {
            return $this;
        }
        if ($frequency === Frequency::Number || $this->frequency === Frequency::Number) {
            throw UnknownPeriod::withoutCalendar($this->label());
        }

        return self::holding($frequency, intdiv($this->firstDay() + $this->lastDay(), 2));
    }

    /** The period of the frequency that holds a day. */
    public static function holding(Frequency $frequency, int $dayNumber): self
    {
        if ($frequency === Frequency::Day || $frequency === Frequency::Number) {
            return new self($frequency, $dayNumber);
        }
        if ($frequency === Frequency::Week) {
            return new self($frequency, Calendar::weekNumber($dayNumber));
        }
        [$year, $month] = Calendar::date($dayNumber);
        if ($frequency === Frequency::FiscalYear) {
            return new self($frequency, $month < 7 ? $year - 1 : $year);
        }
        $perYear = (int) $frequency->perYear();

        return new self($frequency, $year * $perYear + intdiv(($month - 1) * $perYear, 12));
    }

    private static function dayLabel(int $dayNumber, bool $short): string
    {
        [$year, $month, $day] = Calendar::date($dayNumber);

        return sprintf('%d %s %d', $day, $short ? self::monthShort($month) : self::MONTHS[$month - 1], $year);
    }

    private static function within(int $value, int $low, int $high, string $what): int
    {
        return $value >= $low && $value <= $high
            ? $value
            : throw UnknownPeriod::outOfBounds($value, $low, $high, $what);
    }
}
