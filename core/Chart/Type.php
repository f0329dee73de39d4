<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** A size and a weight of one of the two type families. */
final readonly class Type
{
    private function __construct(public float $size, public int $weight, public bool $headline = false) {}

    public static function text(float $size, int $weight = 400): self
    {
        return new self($size, $weight);
    }

    public static function headline(float $size, int $weight = 600): self
    {
        return new self($size, $weight, true);
    }
}
