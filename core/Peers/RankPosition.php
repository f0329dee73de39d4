<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Statistics\Equality;

/** Where one value is among others. */
final readonly class RankPosition
{
    /**
     * @param int $rank from the best, ties sharing the better place
     * @param int $of how many have a value, its own included
     * @param int $equal how many others have the same value
     * @param float $percentile share of the others that are worse, half of the equal ones, 0 to 100
     * @param float $median of the peers, NAN without any
     * @param float $bestQuartile of the peers
     * @param float $best of all that have a value, its own included
     */
    private function __construct(
        public int $rank,
        public int $of,
        public int $equal,
        public float $percentile,
        public float $median,
        public float $bestQuartile,
        public float $best,
    ) {}

    /**
     * @param list<float> $all values from the lowest, its own included
     * @param array{float, float} $yardsticks median and best quartile of the peers
     * @return self|null null where there is no other value
     */
    public static function among(float $value, array $all, array $yardsticks, bool $lowerIsBetter): ?self
    {
        $of = count($all);
        if ($of < 2) {
            return null;
        }
        $lower = self::below($all, $value, false);
        $higher = $of - self::below($all, $value, true);
        $better = self::rank($value, $all, $lowerIsBetter) - 1;
        $equal = $of - $lower - $higher - 1;

        return new self(
            $better + 1,
            $of,
            $equal,
            (100.0 * ($of - 1 - $better - $equal / 2)) / ($of - 1),
            $yardsticks[0],
            $yardsticks[1],
            $lowerIsBetter ? $all[0] : $all[$of - 1],
        );
    }

    /**
     * The rank of a value, 1 for the best; those that are equal share the better one.
     *
     * @param list<float> $all values from the lowest, its own included
     */
    public static function rank(float $value, array $all, bool $lowerIsBetter): int
    {
        return 1 + ($lowerIsBetter ? self::below($all, $value, false) : count($all) - self::below($all, $value, true));
    }

    /** The place counted from the other end, those that are alike sharing the better one. */
    public function rankFromWorst(): int
    {
        return $this->of - $this->rank - $this->equal + 1;
    }

    /**
     * How many values are lower than one, or not higher.
     *
     * @param list<float> $sorted
     */
    private static function below(array $sorted, float $value, bool $orEqual): int
    {
        [$low, $high] = [0, count($sorted)];
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            $side = Equality::compare($sorted[$middle], $value);
            if ($side < 0 || ($orEqual && $side === 0)) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }
}
