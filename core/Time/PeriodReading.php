<?php

declare(strict_types=1);

namespace DuskRail\Time;

/**
 * How the periods of one column (or one row of headings) are read: their notation, and the frequency they stand for.
 */
final readonly class PeriodReading
{
    /** @param int|null $year of periods that name none; null where they stay without one */
    private function __construct(
        public PeriodNotation $notation,
        public Frequency $frequency,
        public ?int $year = null,
    ) {}

    public static function of(PeriodNotation $notation, ?Frequency $frequency = null, ?int $year = null): self
    {
        // Only days can stand for the longer period that they are in.
        return new self(
            $notation,
            $frequency !== null && $notation->frequency() === Frequency::Day && $notation !== PeriodNotation::Code
                ? $frequency
                : $notation->frequency(),
            $notation->isInYear() ? $year : null,
        );
    }

    /**
     * The notation that reads most of the texts, if it reads enough of those that are different and not empty.
     *
     * Dates that all name the same place in their week, month or year (a Friday, the first, the last) stand for it.
     *
     * @param list<string> $texts
     * @param float $share how many are enough: nine in ten, unless something else than the texts speaks for periods
     */
    public static function detect(array $texts, float $share = 0.9): ?self
    {
        $texts = array_values(
            array_unique(array_filter(array_map('trim', $texts), static fn(string $t): bool => $t !== '')),
        );
        if ($texts === []) {
            return null;
        }
        $best = null;
        $most = $share * count($texts) - 1e-9;
        $few = self::some($texts);
        foreach (PeriodNotation::recognisable($few) as $notation) {
            $read = array_filter(array_map($notation->read(...), $few), is_int(...));
            if (count($read) < ($share - 0.3) * count($few)) {
                continue;
            }
            $read = array_filter(array_map($notation->read(...), $texts), is_int(...));
            if (count($read) > $most || ($best === null && count($read) >= $most)) {
                $best = self::of($notation, self::stoodFor($notation, array_values($read)));
                $most = count($read);
            }
        }

        return match (true) {
            self::areSpans($texts) => self::of(PeriodNotation::YearSpan),
            $best?->notation === PeriodNotation::MonthNumber && self::areFiscal($texts) => self::of(
                PeriodNotation::FiscalYear,
            ),
            $best?->notation === PeriodNotation::DayFirst && $best->isAmbiguous($texts) => self::plainer($best, $texts),
            default => $best,
        };
    }

    /**
     * What only a heading that says so tells from other numbers.
     *
     * @param list<string> $texts that are different
     */
    public static function byHeading(string $heading, array $texts): ?self
    {
        $decimal = self::decimal($texts);
        $notation = $decimal === null ? NumberedDates::notation($heading, $texts) : null;
        if ($notation === null) {
            return $decimal;
        }
        $read = array_filter(array_map($notation->read(...), $texts), is_int(...));

        return self::of($notation, self::stoodFor($notation, array_values($read)));
    }

    /**
     * Years with their parts as decimals, 1991.25, which only a heading tells from other numbers.
     *
     * @param list<string> $texts that are different
     */
    private static function decimal(array $texts): ?self
    {
        $read = array_filter(array_map(PeriodNotation::DecimalYear->read(...), $texts), is_int(...));
        $parts = preg_grep('/^\d{4}[.,]\d/', $texts) ?: [];

        return count($parts) >= 0.3 * count($texts) && count($read) >= 0.9 * count($texts)
            ? self::of(PeriodNotation::DecimalYear, self::stoodFor(PeriodNotation::DecimalYear, array_values($read)))
            : null;
    }

    /**
     * Some of many, evenly from the first to the last, by which most notations are out of the question.
     *
     * @param list<string> $texts
     * @return list<string>
     */
    private static function some(array $texts): array
    {
        $count = count($texts);
        if ($count <= 40) {
            return $texts;
        }

        return array_map(static fn(int $i): string => $texts[intdiv($i * ($count - 1), 39)], range(0, 39));
    }

    /**
     * Of two ways to read dates the one by which they are the first, or the last, of months: 01/01/2024, 02/01/2024 …
     *
     * @param list<string> $texts that are different
     */
    private static function plainer(self $dayFirst, array $texts): self
    {
        $days = array_filter(array_map(PeriodNotation::MonthFirst->read(...), $texts), is_int(...));
        $other = self::of(PeriodNotation::MonthFirst, self::stoodFor(PeriodNotation::MonthFirst, array_values($days)));

        return $dayFirst->frequency === Frequency::Day && $other->frequency !== Frequency::Day ? $other : $dayFirst;
    }

    /**
     * Whether texts that could be months are years over the turn of two: 2005/06, 2006/07. Every one of several names a
     * year and the next, which months hardly ever do.
     *
     * @param list<string> $texts that are different
     */
    private static function areFiscal(array $texts): bool
    {
        $fiscal = array_filter(array_map(PeriodNotation::FiscalYear->read(...), $texts), is_int(...));
        $months = array_filter(array_map(PeriodNotation::MonthNumber->read(...), $texts), is_int(...));

        return count($fiscal) > 1 && array_diff_key($months, $fiscal) === [];
    }

    /**
     * True if every text names as many years together, as 2013-15 and 2014-16 do; months hardly ever would.
     *
     * @param list<string> $texts that are different
     */
    private static function areSpans(array $texts): bool
    {
        $lengths = array_map(static fn(string $text): int => SeveralYears::span($text)[0] ?? 0, $texts);

        return count($texts) > 1 && $lengths[0] > 0 && count(array_unique($lengths)) === 1;
    }

    /**
     * True when the same column could as well be read with day and month exchanged.
     *
     * @param list<string> $texts
     */
    public function isAmbiguous(array $texts): bool
    {
        $other = match ($this->notation) {
            PeriodNotation::DayFirst => PeriodNotation::MonthFirst,
            PeriodNotation::MonthFirst => PeriodNotation::DayFirst,
            default => null,
        };
        if ($other === null) {
            return false;
        }
        foreach ($texts as $text) {
            if ($this->notation->read($text) !== null && $other->read($text) === null) {
                return false;
            }
        }

        return true;
    }

    /** Ordinal of the period a cell names, or null. */
    public function read(string $text): ?int
    {
        $ordinal = $this->notation->read($text);
        if ($ordinal !== null && $this->year !== null) {
            return $this->dated($ordinal);
        }
        if ($ordinal === null || $this->frequency === $this->notation->frequency()) {
            return $ordinal;
        }

        return Period::at($this->notation->frequency(), $ordinal)->in($this->frequency)->ordinal;
    }

    /** The period in its year; null where the year has none, as a 53rd week. */
    private function dated(int $ordinal): ?int
    {
        try {
            return Undated::in((int) $this->year, Period::at($this->frequency, $ordinal))->ordinal;
        } catch (UnknownPeriod) {
            return null;
        }
    }

    /**
     * Periods without a year, or steps in an order, as far as all texts but a few name different ones.
     *
     * @param list<string> $texts that are different
     * @param int $least how many there must be
     */
    public static function undated(array $texts, int $least = 3): ?self
    {
        foreach ([...PeriodNotation::undated(), PeriodNotation::Step] as $notation) {
            $read = array_filter(array_map($notation->read(...), $texts), is_int(...));
            $isEnough = count($read) >= ($notation->frequency()->inAYear() <= 4 ? min(2, $least) : $least);
            if ($isEnough && count($read) >= 0.9 * count($texts) && count(array_unique($read)) >= 0.9 * count($read)) {
                return self::of($notation);
            }
        }

        return null;
    }

    /** @param list<int> $days */
    private static function stoodFor(PeriodNotation $notation, array $days): Frequency
    {
        if ($notation->frequency() !== Frequency::Day || count($days) < 2) {
            return $notation->frequency();
        }
        foreach ([Frequency::Year, Frequency::Quarter, Frequency::Month] as $frequency) {
            $firsts = $lasts = true;
            $seen = [];
            foreach ($days as $day) {
                $period = Period::holding($frequency, $day);
                $firsts = $firsts && $day === $period->firstDay();
                $lasts = $lasts && $day === $period->lastDay();
                $seen[$period->ordinal] = true;
            }
            // The middle of a month, as measured: nobody gives a day so.
            $months = $frequency === Frequency::Month && $notation === PeriodNotation::DecimalYear;
            if (($firsts || $lasts || $months) && count($seen) === count($days)) {
                return $frequency;
            }
        }

        return self::areAWeekApart($days) ? Frequency::Week : Frequency::Day;
    }

    /**
     * Whether days are of one weekday, as those that weeks end at: then they stand for the weeks that they are in.
     *
     * @param list<int> $days
     */
    private static function areAWeekApart(array $days): bool
    {
        sort($days);
        $next = 0;
        for ($i = 1, $count = count($days); $i < $count; $i++) {
            $apart = $days[$i] - $days[$i - 1];
            if ($apart % 7 !== 0) {
                return false;
            }
            $next += $apart === 7 ? 1 : 0;
        }

        return count($days) >= 4 && $next >= 0.7 * (count($days) - 1);
    }
}
