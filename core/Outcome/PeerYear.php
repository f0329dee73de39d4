<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Peers\RankPosition;

/** A line among its peers in one period. */
final readonly class PeerYear
{
    /**
     * @param float $target NAN where there is none
     * @param float $benchmark value of the benchmark that the line is held against; NAN where there is none
     */
    public function __construct(
        public string $period,
        public float $value,
        public RankPosition $position,
        public float $target,
        public float $benchmark,
    ) {}
}
