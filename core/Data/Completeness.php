<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodRange;

/**
 * What the periods of a table were put together from, and how much of the latest one is in.
 *
 * Only the latest period of a data set can be incomplete. A line that stopped earlier has ended.
 */
final readonly class Completeness
{
    /**
     * @param Frequency $parts what each period was put together from
     * @param int|null $open first position whose values are of the incomplete period; null where all are finished
     * @param int $in parts of the incomplete period that are in
     * @param int $of parts that it will have
     * @param int $lastDay number of the last day of it that is in
     * @param bool $scaled whether its values were scaled up, so that they stand for all of its days
     */
    private function __construct(
        public Frequency $parts,
        public ?int $open = null,
        public int $in = 0,
        public int $of = 0,
        private int $lastDay = 0,
        private bool $scaled = false,
    ) {}

    public static function whole(Frequency $parts): self
    {
        return new self($parts);
    }

    /**
     * @param int $position of the latest period
     * @param int $lastDay number of the last day of it that is in
     */
    public static function unfinished(Frequency $parts, Period $newest, int $position, int $lastDay, bool $scaled): self
    {
        $range = PeriodRange::between($newest, $newest)->at($parts);
        $done = 0;
        for ($i = 0; $i < $range->count() && $range->first->plus($i)->lastDay() <= $lastDay; $i++) {
            $done++;
        }

        return new self($parts, $position, $done, $range->count(), $lastDay, $scaled);
    }

    /** The same of values that also depend on later ones: those of a centred window are open earlier. */
    public function openFrom(int $position): self
    {
        return new self($this->parts, $position, $this->in, $this->of, $this->lastDay, $this->scaled);
    }

    /**
     * First and last day number that the values of a period stand for. A year of weeks begins and ends with one.
     *
     * @return array{int, int}
     */
    public function days(Period $period, int $position): array
    {
        [$first, $last] = self::reach($period, $this->parts);

        return [$first, $position === $this->open && !$this->scaled ? $this->lastDay : $last];
    }

    /** How many times as long the whole of an incomplete period is as what is in of it. */
    public function scale(Period $period): float
    {
        [$first, $last] = self::reach($period, $this->parts);

        return ($last - $first + 1) / ($this->lastDay - $first + 1);
    }

    /** `11 of 12 months` */
    public function inWords(): string
    {
        return "{$this->in} of {$this->of} {$this->parts->value}s";
    }

    /** @return array{int, int} */
    private static function reach(Period $period, Frequency $parts): array
    {
        $range = PeriodRange::between($period, $period)->at($parts);

        return [$range->first->firstDay(), $range->last->lastDay()];
    }
}
