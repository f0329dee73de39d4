<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** The heading of a row or a column of values. */
final readonly class GridHead
{
    public function __construct(
        public string $key,
        public string $name,
        public int $hue = 0,
        public bool $quiet = false,
    ) {}
}
