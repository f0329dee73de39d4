<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/**
 * Leaves out points that cannot change a picture: of those in one column of pixels the first, the last, the lowest and
 * the highest stay, all in the middle of the column: where in a pixel a point is cannot be seen, and a line drawn so
 * is the same to the last pixel whether points were left out or not (with round joins, which hide the way it
 * turned). Jugel, Jerzak, Hackenbroich and Markl (2014), “M4: A Visualization-Oriented Time Series Data
 * Aggregation”.
 */
final class Thinning
{
    /**
     * @param list<float> $points x and y in turn, x ascending
     * @return list<float>
     */
    public static function perPixelColumn(array $points): array
    {
        $count = count($points);
        if ($count <= 8) {
            return $points;
        }
        $kept = [];
        $start = 0;
        while ($start < $count) {
            $column = (int) floor($points[$start]);
            $low = $high = $end = $start;
            for ($i = $start; $i < $count && (int) floor($points[$i]) === $column; $i += 2) {
                $low = $points[$i + 1] < $points[$low + 1] ? $i : $low;
                $high = $points[$i + 1] > $points[$high + 1] ? $i : $high;
                $end = $i;
            }
            $chosen = [$start => 1, $low => 1, $high => 1, $end => 1];
            ksort($chosen);
            foreach ($chosen as $i => $_) {
                $kept[] = $column + 0.5;
                $kept[] = $points[$i + 1];
            }
            $start = $end + 2;
        }

        return $kept;
    }
}
