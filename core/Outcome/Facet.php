<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** One of the small pictures that a big one is split into. */
final readonly class Facet
{
    /**
     * @param string $key of the entity, group, measure, year or month that it is of
     * @param Line|null $own the line that the panel is about, if it is one
     * @param float $mean a level that is drawn through it, NAN for none
     * @param int $before places left free before its first period, so that all years have one scale of time
     * @param int $after the same after its last
     */
    public function __construct(
        public string $key,
        public string $name,
        public Lineup $lineup,
        public ?Line $own = null,
        public float $mean = NAN,
        public int $before = 0,
        public int $after = 0,
    ) {}

    /** The latest value of what it is about. */
    public function latest(): float
    {
        return $this->own?->latest() ?? NAN;
    }
}
