<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Whether a series rises or falls more often than chance would have it: Mann (1945), “Nonparametric Tests Against
 * Trend”; Kendall (1975), “Rank Correlation Methods”, with the variance corrected for ties and the continuity
 * correction.
 */
final readonly class MannKendall
{
    /** @param float $p two-sided probability of a statistic at least as far from zero if there were no trend */
    private function __construct(public int $statistic, public float $z, public float $p) {}

    /**
     * @param list<float> $values missing ones are left out
     * @return self|null null for fewer than four values
     */
    public static function of(array $values): ?self
    {
        $values = array_values(array_filter($values, static fn(float $v): bool => !is_nan($v)));
        $n = count($values);
        if ($n < 4) {
            return null;
        }
        $s = 0;
        for ($i = 0; $i < $n - 1; $i++) {
            for ($j = $i + 1; $j < $n; $j++) {
                $s += $values[$j] <=> $values[$i];
            }
        }
        $variance = $n * ($n - 1) * (2 * $n + 5);
        $sorted = $values;
        sort($sorted);
        for ($i = 0; $i < $n; $i += $ties) {
            for ($ties = 1; $i + $ties < $n && $sorted[$i + $ties] === $sorted[$i]; ) {
                $ties++;
            }
            $variance -= $ties * ($ties - 1) * (2 * $ties + 5);
        }
        $deviation = sqrt($variance / 18);
        $z = $deviation === 0.0 || $s === 0 ? 0.0 : ($s - ($s <=> 0)) / $deviation;

        return new self($s, $z, 2 * self::upperTail(abs($z)));
    }

    /** Probability that a standard normal number is above z, which is not negative. */
    private static function upperTail(float $z): float
    {
        if ($z < 3.0) {
            // Series of the integral from zero: Abramowitz and Stegun, 26.2.11.
            $term = $sum = $z;
            for ($k = 1; $k < 200 && abs($term) > 1e-17; $k++) {
                $term *= ($z * $z) / (2 * $k + 1);
                $sum += $term;
            }

            return 0.5 - ($sum * exp((-$z * $z) / 2)) / sqrt(2 * M_PI);
        }
        // Continued fraction of Laplace: Abramowitz and Stegun, 26.2.14.
        $fraction = 0.0;
        for ($k = 80; $k > 0; $k--) {
            $fraction = $k / ($z + $fraction);
        }

        return exp((-$z * $z) / 2) / sqrt(2 * M_PI) / ($z + $fraction);
    }
}
