<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Classical seasonal decomposition by moving averages: Kendall and Stuart (1983), “The Advanced Theory of Statistics”,
 * vol. 3, as R's decompose() does it: a centred moving average (its ends at half weight for an even period) is the
 * trend;
 * what remains is averaged for each season, and the seasonal values are centred.
 */
final readonly class Decomposition
{
    /**
     * @param list<float> $trend NAN where the window does not reach
     * @param list<float> $seasonal
     */
    private function __construct(public array $trend, public array $seasonal) {}

    /**
     * @param list<float> $values
     * @param int $period seasons in a cycle
     * @param bool $multiplicative trend × season, else trend + season
     */
    public static function of(array $values, int $period, bool $multiplicative): self
    {
        $trend = self::trend($values, $period);
        $sums = array_fill(0, $period, 0.0);
        $counts = array_fill(0, $period, 0);
        $season = 0;
        foreach ($values as $i => $value) {
            $level = $trend[$i];
            $rest = $multiplicative ? ($level === 0.0 ? NAN : $value / $level) : $value - $level;
            if (!is_nan($rest)) {
                $sums[$season] += $rest;
                $counts[$season]++;
            }
            $season = $season + 1 === $period ? 0 : $season + 1;
        }
        $figures = [];
        foreach ($sums as $season => $sum) {
            $figures[] = $counts[$season] === 0 ? NAN : $sum / $counts[$season];
        }
        $mean = array_sum($figures) / $period;
        $figures = array_map(static fn(float $f): float => $multiplicative ? $f / $mean : $f - $mean, $figures);
        $seasonal = array_slice(
            array_merge(...array_fill(0, intdiv(count($values), $period) + 1, $figures)),
            0,
            count($values),
        );

        return new self($trend, $seasonal);
    }

    /**
     * @param list<float> $values
     * @return list<float>
     */
    private static function trend(array $values, int $period): array
    {
        $half = intdiv($period, 2);
        $count = count($values);
        $means = RollingMean::trailing($values, $period, $period);
        $trend = array_fill(0, min($half, $count), NAN);
        // Of an even period the mean of two windows, one place apart, gives the outermost values half the weight.
        $shift = $period % 2 === 0 ? 1 : 0;
        for ($i = $half + $half - 1 + (1 - $shift); $i < $count - $shift; $i++) {
            $trend[] = $shift === 1 ? ($means[$i] + $means[$i + 1]) / 2 : $means[$i];
        }
        while (count($trend) < $count) {
            $trend[] = NAN;
        }

        return $trend;
    }
}
