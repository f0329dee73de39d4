<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/**
 * A place on a time axis: a tick at a position (or none), and a word centred on another, with the year below it or not.
 */
final readonly class TimeTick
{
    /**
     * @param float|null $edge position of the tick; @param float $centre position of the label, both in periods
     *     from the first shown
     */
    public function __construct(
        public ?float $edge,
        public float $centre,
        public string $label,
        public string $below = '',
    ) {}
}
