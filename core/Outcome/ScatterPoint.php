<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** One entity in a scatter. */
final readonly class ScatterPoint
{
    /**
     * @param float $size relative to the largest, 0 to 1; 1 where all are alike
     * @param list<array{float, float, int}> $path x, y and position on the axis of y, in the order of time; only
     *     where a path is drawn
     * @param int $periods that both values are the mean of
     */
    public function __construct(
        public Line $line,
        public float $x,
        public float $y,
        public float $size,
        public array $path,
        public int $periods = 1,
    ) {}
}
