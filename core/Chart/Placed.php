<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** Marks moved, and enlarged, as a whole. */
final readonly class Placed implements Mark
{
    /** @param list<Mark> $marks */
    public function __construct(public float $x, public float $y, public array $marks, public float $zoom = 1.0) {}
}
