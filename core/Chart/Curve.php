<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/**
 * A smooth line through points that never leaves the range of the two points it is between, so that it invents neither
 * peak nor trough. Fritsch and Carlson (1980), “Monotone Piecewise Cubic Interpolation”, with the limit on slopes of
 * their section 4; drawn as short straight parts.
 */
final class Curve
{
    /** Straight parts between two points. */
    public const PARTS = 8;

    /**
     * @param list<float> $points x and y in turn, x ascending
     * @return list<float> the same points with PARTS − 1 more between each two
     */
    public static function through(array $points): array
    {
        $count = intdiv(count($points), 2);
        if ($count < 3) {
            return $points;
        }
        $slopes = self::slopes($points, $count);
        $curve = [$points[0], $points[1]];
        for ($i = 0; $i < $count - 1; $i++) {
            [$x0, $y0, $x1, $y1] = array_slice($points, 2 * $i, 4);
            $width = $x1 - $x0;
            for ($part = 1; $part < self::PARTS; $part++) {
                $t = $part / self::PARTS;
                $s = 1.0 - $t;
                $y =
                    $y0 * $s * $s * (1 + 2 * $t) +
                    $y1 * $t * $t * (3 - 2 * $t) +
                    $width * ($slopes[$i] * $t * $s * $s - $slopes[$i + 1] * $t * $t * $s);
                // Rounding alone could put it a hair outside.
                array_push($curve, $x0 + $width * $t, max(min($y0, $y1), min(max($y0, $y1), $y)));
            }
            array_push($curve, $x1, $y1);
        }

        return $curve;
    }

    /**
     * @param list<float> $points
     * @return list<float>
     */
    private static function slopes(array $points, int $count): array
    {
        $secants = [];
        for ($i = 0; $i < $count - 1; $i++) {
            $secants[] = ($points[2 * $i + 3] - $points[2 * $i + 1]) / ($points[2 * $i + 2] - $points[2 * $i]);
        }
        $slopes = [$secants[0]];
        for ($i = 1; $i < $count - 1; $i++) {
            // A turning point is level.
            $slopes[] = $secants[$i - 1] * $secants[$i] <= 0.0 ? 0.0 : ($secants[$i - 1] + $secants[$i]) / 2;
        }
        $slopes[] = $secants[$count - 2];
        foreach ($secants as $i => $secant) {
            if ($secant === 0.0) {
                $slopes[$i] = $slopes[$i + 1] = 0.0;
                continue;
            }
            $a = $slopes[$i] / $secant;
            $b = $slopes[$i + 1] / $secant;
            $far = hypot($a, $b);
            if ($far > 3.0) {
                $slopes[$i] = (3.0 / $far) * $a * $secant;
                $slopes[$i + 1] = (3.0 / $far) * $b * $secant;
            }
        }

        return array_values($slopes);
    }
}
