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
     * The line through points anywhere: the median of the slopes between all pairs of different x, and the median of
     * what is left.
     *
     * @param list<float> $x
     * @param list<float> $y of the same length; without missing values
     * @return array{float, float}|null slope and intercept; null where all points are at one x
     */
    public static function through(array $x, array $y): ?array
    {
        $slopes = [];
        for ($i = 0, $count = count($x); $i < $count; $i++) {
            for ($j = $i + 1; $j < $count; $j++) {
                if ($x[$i] !== $x[$j]) {
                    $slopes[] = ($y[$j] - $y[$i]) / ($x[$j] - $x[$i]);
                }
            }
        }
        if ($slopes === []) {
            return null;
        }
        $slope = Quantile::of($slopes, 0.5);
        $left = array_map(static fn(float $a, float $b): float => $b - $slope * $a, $x, $y);

        return [$slope, Quantile::of($left, 0.5)];
    }

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
