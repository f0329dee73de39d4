<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Statistics\Quantile;

/** Where one value stands among its peers. */
final readonly class Position
{
    /**
     * @param int $rank from the best, ties sharing the better place
     * @param int $of how many have a value, its own included
     * @param float $percentile share of the peers that are worse, half of the equal ones, 0 to 100
     */
    private function __construct(
        public int $rank,
        public int $of,
        public float $percentile,
        public float $median,
        public float $bestQuartile,
    ) {}

    /**
     * @param list<float> $peers
     * @param bool $lowerIsBetter which way is good
     */
    public static function of(float $value, array $peers, bool $lowerIsBetter): ?self
    {
        $peers = array_values(array_filter($peers, static fn(float $v): bool => !is_nan($v)));
        if (is_nan($value) || $peers === []) {
            return null;
        }
        $better = count(array_filter($peers, static fn(float $p): bool => $lowerIsBetter ? $p < $value : $p > $value));
        $equal = count(array_filter($peers, static fn(float $p): bool => $p === $value));

        return new self(
            $better + 1,
            count($peers) + 1,
            (100.0 * (count($peers) - $better - $equal / 2)) / count($peers),
            Quantile::of($peers, 0.5),
            Quantile::of($peers, $lowerIsBetter ? 0.25 : 0.75),
        );
    }
}
