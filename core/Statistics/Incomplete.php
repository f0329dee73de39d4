<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** The functions that distributions are calculated by. */
final class Incomplete
{
    private const TERMS = 300;

    private const CLOSE = 1e-15;

    /** The regularised incomplete beta function (Abramowitz and Stegun, 26.5.8). */
    public static function beta(float $x, float $a, float $b): float
    {
        if ($x <= 0.0 || $x >= 1.0) {
            return $x <= 0.0 ? 0.0 : 1.0;
        }
        // The continued fraction is quick on one side of the middle only.
        if ($x > ($a + 1.0) / ($a + $b + 2.0)) {
            return 1.0 - self::beta(1.0 - $x, $b, $a);
        }
        $front =
            exp(self::logGamma($a + $b) - self::logGamma($a) - self::logGamma($b) + $a * log($x) + $b * log(1.0 - $x)) /
            $a;
        // Lentz's way of calculating a continued fraction.
        $c = 1.0;
        $d = 1.0 / self::off(1.0 - (($a + $b) * $x) / ($a + 1.0));
        $fraction = $d;
        for ($m = 1; $m < self::TERMS; $m++) {
            $even = ($m * ($b - $m) * $x) / (($a + 2 * $m - 1) * ($a + 2 * $m));
            $odd = (-($a + $m) * ($a + $b + $m) * $x) / (($a + 2 * $m) * ($a + 2 * $m + 1));
            foreach ([$even, $odd] as $term) {
                $d = 1.0 / self::off(1.0 + $term * $d);
                $c = self::off(1.0 + $term / $c);
                $fraction *= $c * $d;
            }
            if (abs($c * $d - 1.0) < self::CLOSE) {
                break;
            }
        }

        return $front * $fraction;
    }

    private static function off(float $value): float
    {
        return abs($value) < 1e-300 ? 1e-300 : $value;
    }

    /** The regularised lower incomplete gamma function (Abramowitz and Stegun, 6.5.29 and 6.5.31). */
    public static function gamma(float $a, float $x): float
    {
        if ($x <= 0.0) {
            return 0.0;
        }
        $front = exp($a * log($x) - $x - self::logGamma($a));
        // Near the middle of a large a, both need some times the root of a.
        $terms = self::TERMS + (int) (12.0 * sqrt($a));
        if ($x < $a + 1.0) {
            $term = $sum = 1.0 / $a;
            for ($n = 1; $n < $terms && $term > $sum * self::CLOSE; $n++) {
                $term *= $x / ($a + $n);
                $sum += $term;
            }

            return $sum * $front;
        }
        $b = $x + 1.0 - $a;
        $c = 1e300;
        $d = $fraction = 1.0 / self::off($b);
        for ($n = 1; $n < $terms; $n++) {
            $step = -$n * ($n - $a);
            $b += 2.0;
            $d = 1.0 / self::off($step * $d + $b);
            $c = self::off($b + $step / $c);
            $fraction *= $c * $d;
            if (abs($c * $d - 1.0) < self::CLOSE) {
                break;
            }
        }

        return 1.0 - $front * $fraction;
    }

    /** Lanczos's approximation with g = 7 and nine terms (Lanczos, 1964); good to fifteen digits for x above 0.5. */
    public static function logGamma(float $x): float
    {
        $terms = [
            ...[0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313],
            ...[-176.61502916214059, 12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6],
            1.5056327351493116e-7,
        ];
        if ($x < 0.5) {
            return log(M_PI / abs(sin(M_PI * $x))) - self::logGamma(1.0 - $x);
        }
        $sum = $terms[0];
        for ($i = 1; $i < 9; $i++) {
            $sum += $terms[$i] / ($x - 1.0 + $i);
        }
        $t = $x + 6.5;

        return 0.5 * log(2 * M_PI) + ($x - 0.5) * log($t) - $t + log($sum);
    }
}
