<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** A place where the course of a series changes: its slope, its level, or both. */
final readonly class Turn
{
    /**
     * @param int $position of the last value on the old slope, which is the first on the new one; where the level
     *     changes, of the first value on the new level
     * @param float $step how much higher the level is from there on; 0 where only the slope changes
     * @param float $before slope before it, for a period
     * @param float $after slope after it
     */
    public function __construct(
        public int $position,
        public float $step,
        public float $before,
        public float $after,
    ) {}

    /** Whether its slope changes. */
    public function bends(): bool
    {
        return $this->before !== $this->after;
    }
}
