<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Statistics\QuantileType;

/** What practitioners decide in different ways, and a house in one. */
final readonly class Conventions
{
    /**
     * @param bool $ofAll whether deviations are of a population (divided by n) and not of a sample (by n − 1)
     * @param bool $homeIsPeer whether home counts among the peers that it is compared with
     */
    public function __construct(
        public QuantileType $quantiles = QuantileType::Seven,
        public bool $ofAll = false,
        public bool $homeIsPeer = false,
    ) {}

    /** @param 'type-6'|'type-7'|'type-8' $quantiles type of Hyndman and Fan (1996) */
    public static function of(string $quantiles, bool $ofAll, bool $homeIsPeer): self
    {
        return new self(QuantileType::from($quantiles), $ofAll, $homeIsPeer);
    }
}
