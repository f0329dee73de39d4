<?php

declare(strict_types=1);

namespace DuskRail\Time;

/** Consecutive periods of one frequency: position 0 is the first. Every packed list of values is along one. */
final readonly class PeriodAxis
{
    private function __construct(public Frequency $frequency, public int $first, public int $count) {}

    /** @param int $first ordinal of the first period */
    public static function of(Frequency $frequency, int $first, int $count): self
    {
        return new self($frequency, $first, max(0, $count));
    }

    public static function along(PeriodRange $range): self
    {
        return new self($range->first->frequency, $range->first->ordinal, $range->count());
    }

    public function period(int $position): Period
    {
        return Period::at($this->frequency, $this->first + $position);
    }

    /** @throws UnknownPeriod when the axis is empty */
    public function range(): PeriodRange
    {
        return PeriodRange::between($this->period(0), $this->period($this->count - 1));
    }

    /**
     * The part of a range, of any frequency, that is on this axis.
     *
     * @return array{int, int}|null first and last position, or null when none of it does
     */
    public function positions(PeriodRange $range): ?array
    {
        $range = $range->at($this->frequency);
        $from = max(0, $range->first->ordinal - $this->first);
        $to = min($this->count - 1, $range->last->ordinal - $this->first);

        return $from <= $to ? [$from, $to] : null;
    }
}
