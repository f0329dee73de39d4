<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Student's t distribution, by the incomplete beta function (Abramowitz and Stegun, 26.7.1). */
final class StudentT
{
    /** @var array<string, float> quantiles that were looked for, of which few are asked for over and over */
    private static array $quantiles = [];

    /**
     * Probability of a value at least as far from zero.
     *
     * @param float $freedom degrees of freedom, above zero; they need not be whole
     */
    public static function twoSided(float $t, float $freedom): float
    {
        return Incomplete::beta($freedom / ($freedom + $t * $t), $freedom / 2, 0.5);
    }

    /**
     * How far from zero a share of all values is within, either way.
     *
     * @param float $within above 0 and below 1
     * @param float $freedom degrees of freedom, above zero
     */
    public static function quantile(float $within, float $freedom): float
    {
        return self::$quantiles["{$within} {$freedom}"] ??= self::searched($within, $freedom);
    }

    private static function searched(float $within, float $freedom): float
    {
        $high = 1.0;
        while (self::twoSided($high, $freedom) > 1.0 - $within) {
            $high *= 2.0;
        }
        $low = 0.0;
        // Halves until no number is between.
        for ($round = 0; $round < 100 && $high - $low > 1e-12 * $high; $round++) {
            $middle = ($low + $high) / 2.0;
            if (self::twoSided($middle, $freedom) > 1.0 - $within) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $high;
    }
}
