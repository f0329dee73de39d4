<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** A filled circle. */
final readonly class Dot implements Mark
{
    public function __construct(
        public float $x,
        public float $y,
        public float $radius,
        public Ink $ink,
        public float $opacity = 1.0,
    ) {}
}
