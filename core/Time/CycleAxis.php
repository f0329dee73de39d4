<?php

declare(strict_types=1);

namespace DuskRail\Time;

use DuskRail\Notation;

/**
 * The places within a year, a month or a week, so that several of them can be merged into each other: the months from
 * January (or from the first of a fiscal year), the days with 29 February among them, ISO weeks 1 to 53 (or from the
 * first of a fiscal year), Monday to Sunday.
 *
 * A place that a certain year does not have (29 February, week 53) is simply not there; nothing after it is moved.
 */
final readonly class CycleAxis
{
    /** Every year has its weeks 1 to 52, and some a 53rd. */
    private const WEEKS = 53;

    /** @param int $count places in the longest turn of the cycle */
    private function __construct(
        public Cycle $cycle,
        public Frequency $frequency,
        public int $startMonth,
        public int $count,
    ) {}

    /**
     * @param int $startMonth 1 to 12, of fiscal years; of weeks they begin with the ISO week that most often holds the
     *     4th of that month
     *
     * @throws UnknownPeriod when values of the frequency have no places in the cycle, or the year starts within a
     *     period
     */
    public static function of(Cycle $cycle, Frequency $frequency, int $startMonth = 1): self
    {
        if (!$cycle->divides($frequency)) {
            throw UnknownPeriod::withoutCycle($cycle, $frequency);
        }
        $startMonth = $cycle === Cycle::Year ? $startMonth : 1;
        $monthsEach = 12 / ($frequency->perYear() ?? 12);
        if (($startMonth - 1) % $monthsEach !== 0) {
            throw UnknownPeriod::startingWithin($frequency, Period::monthShort($startMonth));
        }

        return new self(
            $cycle,
            $frequency,
            $startMonth,
            match (true) {
                $cycle === Cycle::Week => 7,
                $cycle === Cycle::Month => 31,
                $frequency === Frequency::Day => 366,
                $frequency === Frequency::Week => self::WEEKS,
                default => (int) $frequency->perYear(),
            },
        );
    }

    /**
     * Which turn of the cycle a period is in, and at which place.
     *
     * @return array{int, int} turn (the year it starts in; the ordinal of the month or week) and place from 0
     */
    public function place(Period $period): array
    {
        $ordinal = $period->ordinal;
        if ($this->cycle === Cycle::Week) {
            $week = Calendar::weekNumber($ordinal);

            return [$week, $ordinal - Period::at(Frequency::Week, $week)->firstDay()];
        }
        if ($this->frequency === Frequency::Week) {
            [$year, $week] = Calendar::isoWeek($ordinal);

            $place = $week - $this->startWeek();

            return $place >= 0 ? [$year, $place] : [$year - 1, $place + self::WEEKS];
        }
        if ($this->frequency === Frequency::Day) {
            [$year, $month, $day] = Calendar::date($ordinal);
            if ($this->cycle === Cycle::Month) {
                return [$year * 12 + $month - 1, $day - 1];
            }

            return [$year - ($month < $this->startMonth ? 1 : 0), $this->dayPlace($month, $day)];
        }
        $perYear = (int) $this->frequency->perYear();
        $shifted = $ordinal - intdiv(($this->startMonth - 1) * $perYear, 12);

        return [(int) floor($shifted / $perYear), (($shifted % $perYear) + $perYear) % $perYear];
    }

    /** The period at a place of a turn, or null where the turn has no such place. */
    public function period(int $turn, int $place): ?Period
    {
        $period = match (true) {
            $this->cycle === Cycle::Week => Period::at(
                Frequency::Day,
                Period::at(Frequency::Week, $turn)->firstDay() + $place,
            ),
            $this->cycle === Cycle::Month => Period::at(
                Frequency::Day,
                Period::at(Frequency::Month, $turn)->firstDay() + $place,
            ),
            $this->frequency === Frequency::Week => $this->weekAt($turn, $place),
            $this->frequency === Frequency::Day => $this->dayAt($turn, $place),
            default => Period::at(
                $this->frequency,
                $turn * (int) $this->frequency->perYear() +
                    intdiv(($this->startMonth - 1) * (int) $this->frequency->perYear(), 12) +
                    $place,
            ),
        };

        return $period !== null && $this->place($period) === [$turn, $place] ? $period : null;
    }

    /** What a turn is called: 2024, 2024/25, March 2024, week 5 of 2024. */
    public function turnLabel(int $turn): string
    {
        return match (true) {
            $this->cycle === Cycle::Month => Period::at(Frequency::Month, $turn)->short(),
            $this->cycle === Cycle::Week => Period::at(Frequency::Week, $turn)->short(),
            $this->startMonth > 1 => sprintf('%d/%02d', $turn, ($turn + 1) % 100),
            default => (string) $turn,
        };
    }

    /** What a place is called whatever the turn: Jan, 6 Jun, Q1, week 5, 12, Mon. */
    public function placeLabel(int $place): string
    {
        if ($this->cycle === Cycle::Week) {
            return ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'][$place];
        }
        if ($this->cycle === Cycle::Month) {
            return (string) ($place + 1);
        }

        return match ($this->frequency) {
            Frequency::Day => self::dayAndMonth($this->exemplar($place)),
            Frequency::Week => 'week ' . $this->weekNumber($place),
            Frequency::Month => Notation::month((($this->startMonth - 1 + $place) % 12) + 1),
            Frequency::Quarter => 'Q' . (((intdiv($this->startMonth - 1, 3) + $place) % 4) + 1),
            default => 'H' . (((intdiv($this->startMonth - 1, 6) + $place) % 2) + 1),
        };
    }

    private static function dayAndMonth(Period $day): string
    {
        [, $month, $number] = Calendar::date($day->ordinal);

        return "{$number} " . Notation::month($month);
    }

    /** The day at a place of a year that has every day. */
    public function exemplar(int $place): Period
    {
        return Period::at(Frequency::Day, $this->exemplarStart() + $place);
    }

    /**
     * The turn that holds 29 February starts before it: 2000 of calendar years, 1999 of years that start in March or
     * later.
     */
    private function exemplarStart(): int
    {
        return Calendar::dayNumber($this->startMonth <= 2 ? 2000 : 1999, $this->startMonth, 1);
    }

    /** The ISO week that holds the 4th of the month in a year of 52 weeks that begins on a Monday. */
    private function startWeek(): int
    {
        return Calendar::isoWeek(Calendar::weekNumber(Calendar::dayNumber(2001, $this->startMonth, 4)))[1];
    }

    private function weekNumber(int $place): int
    {
        return (($this->startWeek() - 1 + $place) % self::WEEKS) + 1;
    }

    private function weekAt(int $turn, int $place): ?Period
    {
        $week = $this->weekNumber($place);
        $year = $week < $this->startWeek() ? $turn + 1 : $turn;

        return $week > Calendar::weeksInYear($year) ? null : Period::week($year, $week);
    }

    private function dayPlace(int $month, int $day): int
    {
        $year = $this->startMonth <= 2 || $month < $this->startMonth ? 2000 : 1999;
        if ($this->startMonth === 2 && $month === 1) {
            $year = 2001;
        }

        return Calendar::dayNumber($year, $month, $day) - $this->exemplarStart();
    }

    private function dayAt(int $turn, int $place): ?Period
    {
        [, $month, $day] = Calendar::date($this->exemplar($place)->ordinal);
        $year = $turn + ($month < $this->startMonth ? 1 : 0);

        return $day > Calendar::daysInMonth($year, $month) ? null : Period::day($year, $month, $day);
    }
}
