<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** A filled rectangle. */
final readonly class Box implements Mark
{
    public function __construct(
        public float $x,
        public float $y,
        public float $width,
        public float $height,
        public Ink $ink,
        public float $radius = 0.0,
        public float $opacity = 1.0,
    ) {}
}
