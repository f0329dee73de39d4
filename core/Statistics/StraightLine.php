<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** The straight line of least squares through points, by sums of products about the means (Longley, 1967, on why). */
final readonly class StraightLine
{
    private function __construct(
        public float $slope,
        public float $intercept,
        public float $rSquared,
        public int $count,
    ) {}

    /**
     * @param list<float> $x
     * @param list<float> $y of the same length; pairs with a missing value are left out
     * @return self|null null for fewer than two points or all at one x
     */
    public static function through(array $x, array $y): ?self
    {
        $pairs = [];
        foreach ($y as $i => $value) {
            if (!is_nan($value) && !is_nan($x[$i])) {
                $pairs[] = [$x[$i], $value];
            }
        }
        $count = count($pairs);
        if ($count < 2) {
            return null;
        }
        $meanX = array_sum(array_column($pairs, 0)) / $count;
        $meanY = array_sum(array_column($pairs, 1)) / $count;
        $xx = $xy = $yy = 0.0;
        foreach ($pairs as [$a, $b]) {
            $xx += ($a - $meanX) ** 2;
            $xy += ($a - $meanX) * ($b - $meanY);
            $yy += ($b - $meanY) ** 2;
        }
        // Means are rounded, so points at one x are a hair from theirs.
        $rounding = 1e-13 * max(array_map(static fn(array $pair): float => abs($pair[0]), $pairs));
        if ($xx <= $count * $rounding ** 2) {
            return null;
        }
        $slope = $xy / $xx;

        return new self($slope, $meanY - $slope * $meanX, $yy === 0.0 ? NAN : ($xy * $xy) / ($xx * $yy), $count);
    }
}
