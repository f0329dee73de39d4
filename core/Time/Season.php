<?php

declare(strict_types=1);

namespace DuskRail\Time;

/**
 * A part of every year, from one month to another or from one week to another (ISO 8601), which may go over the turn of
 * the year: winter is December to February, or W48 to W09. One that does is named by both years, and kept by the first.
 */
final readonly class Season
{
    /**
     * Every year whole, which is no season; others are parsed.
     *
     * @param int $from number of the first month or week; 0 for the whole year
     */
    public function __construct(private bool $isOfWeeks = false, private int $from = 0, private int $to = 0) {}

    /**
     * @param string $text `Dec–Feb`, `12–2`, `W48–W09`, `July`; nothing for the whole year
     *
     * @throws UnknownPeriod
     */
    public static function parse(string $text): self
    {
        $ends = preg_split('/\s*(?:–|—|-|\.\.|(?<=\s)to(?=\s))\s*/u', trim($text), 2) ?: [];
        // One month or week is a part as well.
        $ends = count($ends) === 1 ? [$ends[0], $ends[0]] : $ends;
        if (trim($text) === '') {
            return new self();
        }
        $weeks = array_map(
            static fn(string $end): int => preg_match('/^W(\d{1,2})$/i', $end, $m) === 1 ? (int) $m[1] : 0,
            $ends,
        );
        $months = array_map(
            static fn(string $end): int => preg_match('/^\d{1,2}$/', $end) === 1
                ? (int) $end
                : MonthNames::number($end) ?? 0,
            $ends,
        );
        foreach ([[$weeks, 53, true], [$months, 12, false]] as [$numbers, $highest, $isOfWeeks]) {
            if (count($numbers) === 2 && min($numbers) >= 1 && max($numbers) <= $highest) {
                return new self($isOfWeeks, $numbers[0], $numbers[1]);
            }
        }

        throw UnknownPeriod::asPartOfYear($text);
    }

    public function isWhole(): bool
    {
        return $this->from === 0;
    }

    /** Whether it goes over the turn of the year. */
    public function turns(): bool
    {
        return $this->from > $this->to;
    }

    public function code(): string
    {
        return str_replace('–', '..', $this->label());
    }

    public function label(): string
    {
        return match (true) {
            $this->isWhole() => '',
            $this->isOfWeeks => sprintf('W%02d–W%02d', $this->from, $this->to),
            default => Period::monthShort($this->from) . '–' . Period::monthShort($this->to),
        };
    }

    /** What periods it can be made of. */
    public function fits(Frequency $frequency): bool
    {
        return $this->isOfWeeks
            ? $frequency === Frequency::Week
            : in_array($frequency, [Frequency::Month, Frequency::Day], true);
    }

    /** The year in which the season that a period is in began; null where it is in none. */
    public function yearOf(Period $period): ?int
    {
        $number = $this->isOfWeeks
            ? $period->ordinal - Period::week($period->yearNumber(), 1)->ordinal + 1
            : ((($period->in(Frequency::Month)->ordinal % 12) + 12) % 12) + 1;
        $year = $this->isOfWeeks ? $period->yearNumber() : $period->in(Frequency::Month)->yearNumber();

        return match (true) {
            !$this->turns() => $number >= $this->from && $number <= $this->to ? $year : null,
            $number >= $this->from => $year,
            $number <= $this->to => $year - 1,
            default => null,
        };
    }

    /**
     * The season that begins in a year, from its first period to its last. A year without a week 53 ends with its 52nd.
     */
    public function in(int $year, Frequency $frequency): PeriodRange
    {
        $end = $year + ($this->turns() ? 1 : 0);
        $week = static fn(int $year, int $week): Period => Period::week(
            $year,
            min($week, Calendar::weeksInYear($year)),
        );

        return PeriodRange::between(
            $this->isOfWeeks ? $week($year, $this->from) : Period::month($year, $this->from),
            $this->isOfWeeks ? $week($end, $this->to) : Period::month($end, $this->to),
        )->at($frequency);
    }
}
