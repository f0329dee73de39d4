<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Quantiles by linear interpolation: Hyndman and Fan (1996), “Sample Quantiles in Statistical Packages”, type 7. */
final class Quantile
{
    /**
     * @param list<float> $values missing values (NAN) are left out
     * @param float $share 0 to 1; 0.5 is the median
     * @return float NAN when no value is there
     */
    public static function of(array $values, float $share): float
    {
        // The sum is a number exactly when every value is, and asking it is far cheaper than asking each of them.
        $present = is_finite(array_sum($values)) ? $values : array_values(array_filter($values, static fn(float $v): bool => ! is_nan($v)));
        $count = count($present);
        if ($count === 0) {
            return NAN;
        }
        sort($present);
        $place = ($count - 1) * $share;
        $below = (int) floor($place);
        $part = $place - $below;

        return $part === 0.0
            ? $present[$below]
            : $present[$below] + $part * ($present[$below + 1] - $present[$below]);
    }
}
