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
        $places = $present = [];
        foreach ($values as $i => $value) {
            if (!is_nan($value)) {
                $places[] = $i;
                $present[] = $value;
            }
        }
        $slopes = [];
        $count = count($present);
        for ($i = 0; $i < $count; $i++) {
            for ($j = $i + 1; $j < $count; $j++) {
                $slopes[] = ($present[$j] - $present[$i]) / ($places[$j] - $places[$i]);
            }
        }

        return Quantile::of($slopes, 0.5);
    }
}
