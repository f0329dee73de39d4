<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * The median of the slopes between all pairs of points, which outliers cannot pull: Theil (1950); Sen (1968). With
 * seasons, between those of the same season: Hirsch, Slack and Smith (1982).
 */
final class TheilSen
{
    /**
     * @param list<float> $values one a period; missing ones are left out
     * @param int $season values in a year, 1 without seasons
     * @return float change a period; NAN for fewer than two values
     */
    public static function slope(array $values, int $season = 1): float
    {
        $slopes = [];
        for ($i = 0, $count = count($values); $i < $count; $i++) {
            for ($j = $i + $season; $j < $count; $j += $season) {
                $slopes[] = ($values[$j] - $values[$i]) / ($j - $i);
            }
        }

        // Those with a missing value are left out.
        return Quantile::of($slopes, 0.5);
    }
}
