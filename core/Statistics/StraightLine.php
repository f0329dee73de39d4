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
        $widest = 0.0;
        $sumX = $sumY = 0.0;
        foreach ($y as $i => $value) {
            if (is_nan($value) || is_nan($x[$i])) {
                unset($y[$i]);
                continue;
            }
            $sumX += $x[$i];
            $sumY += $value;
            $widest = max($widest, abs($x[$i]));
        }
        $count = count($y);
        if ($count < 2) {
            return null;
        }
        $meanX = $sumX / $count;
        $meanY = $sumY / $count;
        $xx = $xy = $yy = 0.0;
        foreach ($y as $i => $value) {
            $a = $x[$i] - $meanX;
            $b = $value - $meanY;
            $xx += $a ** 2;
            $xy += $a * $b;
            $yy += $b ** 2;
        }
        // Means are rounded, so points at one x are a hair from theirs.
        $rounding = 1e-13 * $widest;
        if ($xx <= $count * $rounding ** 2) {
            return null;
        }
        $slope = $xy / $xx;

        return new self($slope, $meanY - $slope * $meanX, $yy === 0.0 ? NAN : ($xy * $xy) / ($xx * $yy), $count);
    }
}
