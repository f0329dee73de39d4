<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Exponential smoothing with a trend that fades: Gardner and McKenzie (1985), “Forecasting Trends in Time Series”, in
 * the form with additive errors of Hyndman, Koehler, Snyder and Grose (2002). Its three numbers are those with the
 * smallest squares of errors one period ahead; the level and the trend that it begins with follow from them by least
 * squares.
 */
final class DampedTrend
{
    private const FEWEST = 8;

    /** Numbers that are fitted: three of smoothing, the first level and the first trend. */
    private const FITTED = 5;

    /** Within these the numbers of smoothing are looked for: of the level, of the trend as its share, of damping. */
    private const BOUNDS = [[0.0001, 0.9999], [0.0, 1.0], [0.8, 0.98]];

    private const STARTS = [[0.05, 0.3, 0.8], [0.02, 0.3], [0.85, 0.97]];

    private const FINEST = 0.01;

    /** A smaller share of the squares is not worth another step: no interval shows it. */
    private const GAIN = 1e-4;

    /** What is left of the trend of the start beside its level, where it follows from it. */
    private const DEPENDENT = 1e-12;

    /**
     * @param list<float> $values without seasons; missing ones are NAN
     * @param int $count how many periods it is carried on
     * @return Projection|null null for fewer than eight values; seasons are not in it
     */
    public static function of(array $values, int $count): ?Projection
    {
        $there = array_keys(array_filter($values, static fn(float $v): bool => !is_nan($v)));
        if (count($there) < self::FEWEST) {
            return null;
        }
        $known = array_slice($values, $there[0], $there[count($there) - 1] - $there[0] + 1);

        return self::with($known, self::numbers($known), $there[count($there) - 1], $count);
    }

    /**
     * The same with given numbers of smoothing.
     *
     * @param list<float> $values the first and the last of them there
     * @param array{float, float, float} $numbers of the level, of the trend as its share, of damping
     * @param int $last position of the last value
     */
    public static function with(array $values, array $numbers, int $last, int $count): Projection
    {
        [$alpha, $share, $phi] = $numbers;
        [$squares, $there, [$level, $trend], $starts] = self::smoothed($values, $numbers);
        $ahead = $lasting = $loadings = [];
        $sum = 0.0;
        for ($h = 1; $h <= $count; $h++) {
            $lasting[] = $h === 1 ? 1.0 : $alpha + $alpha * $share * $sum;
            $sum += $phi ** $h;
            $ahead[] = $level + $sum * $trend;
            $loadings[] = array_map(static fn(array $start): float => $start[0] + $sum * $start[1], $starts);
        }
        $freedom = max(1, $there - self::FITTED);

        return new Projection(
            ProjectionMethod::Damped,
            $last,
            $ahead,
            $lasting,
            $squares / $freedom,
            $loadings,
            array_fill(0, $count, 1.0),
            (float) $freedom,
            $phi * $trend,
        );
    }

    /**
     * The numbers with the smallest squares: the best of a grid, then by steps that are halved.
     *
     * @param list<float> $values
     * @return array{float, float, float}
     */
    private static function numbers(array $values): array
    {
        $best = [0.1, 0.1, 0.9];
        $least = INF;
        foreach (self::STARTS[0] as $alpha) {
            foreach (self::STARTS[1] as $share) {
                foreach (self::STARTS[2] as $phi) {
                    $squares = self::smoothed($values, [$alpha, $share, $phi])[0];
                    if ($squares < $least) {
                        [$best, $least] = [[$alpha, $share, $phi], $squares];
                    }
                }
            }
        }
        for ($step = 0.16; $step > self::FINEST; $step = $isBetter ? $step : $step / 2) {
            $isBetter = false;
            foreach ([0, 1, 2] as $which) {
                foreach ([1.0, -1.0] as $way) {
                    $tried = $best;
                    [$low, $high] = self::BOUNDS[$which];
                    $tried[$which] = max($low, min($high, $best[$which] + $way * $step * ($high - $low)));
                    $squares = self::smoothed($values, $tried)[0];
                    if ($squares < $least * (1.0 - self::GAIN)) {
                        [$best, $least, $isBetter] = [$tried, $squares, true];
                    }
                }
            }
        }

        return $best;
    }

    /**
     * The squares of errors one period ahead, how many values there are, level and trend at the end, and how much of
     * these is uncertain because the start is: in shocks that are independent of each other.
     *
     * The errors are linear in the level and the trend that it begins with: those follow from three passes in one.
     *
     * @param list<float> $values
     * @param array{float, float, float} $numbers
     * @return array{float, int, array{float, float}, list<array{float, float}>}
     */
    private static function smoothed(array $values, array $numbers): array
    {
        [$alpha, $share, $phi] = $numbers;
        $beta = $alpha * $share;
        // Without a start, of a level of 1 alone, and of a trend of 1 alone.
        [$l, $b, $l1, $b1, $l2, $b2] = [0.0, 0.0, 1.0, 0.0, 0.0, 1.0];
        $s00 = $s01 = $s02 = $s11 = $s12 = $s22 = 0.0;
        $there = 0;
        foreach ($values as $value) {
            $l += $phi * $b;
            $l1 += $phi * $b1;
            $l2 += $phi * $b2;
            $b *= $phi;
            $b1 *= $phi;
            $b2 *= $phi;
            if (is_nan($value)) {
                continue;
            }
            $there++;
            $e = $value - $l;
            $s00 += $e * $e;
            $s01 += $e * $l1;
            $s02 += $e * $l2;
            $s11 += $l1 * $l1;
            $s12 += $l1 * $l2;
            $s22 += $l2 * $l2;
            $l += $alpha * $e;
            $b += $beta * $e;
            $b1 -= $beta * $l1;
            $l1 -= $alpha * $l1;
            $b2 -= $beta * $l2;
            $l2 -= $alpha * $l2;
        }
        // What is in the trend of the start beside its level.
        $along = $s12 / max($s11, PHP_FLOAT_MIN);
        $own = $s22 - $along * $s12;
        $trend = $own > self::DEPENDENT * $s22 ? ($s02 - $along * $s01) / $own : 0.0;
        $level = $s01 / max($s11, PHP_FLOAT_MIN) - $along * $trend;
        $starts = [[$l1 / sqrt(max($s11, PHP_FLOAT_MIN)), $b1 / sqrt(max($s11, PHP_FLOAT_MIN))]];
        if ($own > self::DEPENDENT * $s22) {
            $starts[] = [($l2 - $along * $l1) / sqrt($own), ($b2 - $along * $b1) / sqrt($own)];
        }

        return [
            max(0.0, $s00 - $level * $s01 - $trend * $s02),
            $there,
            [$l + $level * $l1 + $trend * $l2, $b + $level * $b1 + $trend * $b2],
            $starts,
        ];
    }
}
