<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** The median of the slopes between all pairs of points, which outliers cannot pull: Theil (1950); Sen (1968). */
final class TheilSen
{
    /**
     * @param list<float> $values one a period; missing ones are left out
     * @return float change a period; NAN for fewer than two values
     */
    public static function slope(array $values): float
    {
        $present = array_filter($values, static fn(float $v): bool => ! is_nan($v));
        $places = array_keys($present);
        $slopes = [];
        foreach ($places as $n => $i) {
            foreach (array_slice($places, $n + 1) as $j) {
                $slopes[] = ($present[$j] - $present[$i]) / ($j - $i);
            }
        }

        return Quantile::of($slopes, 0.5);
    }
}
