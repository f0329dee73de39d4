<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** Where a line ends, and what is to be written there. */
final readonly class LineEnd
{
    /** @param string $key of the line; nothing for what stands for all peers */
    public function __construct(
        public string $key,
        public string $name,
        public float $value,
        public int $position,
        public Ink $ink,
    ) {}
}
