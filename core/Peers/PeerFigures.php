<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Statistics\ColumnQuantile;
use DuskRail\Statistics\QuantileType;

/** What many series come to in each period: medians, quartiles, means. Missing values are left out. */
final class PeerFigures
{
    /**
     * @param array<array-key, list<float>> $series all of one length
     * @param float $share 0.5 for the median
     * @return list<float> NAN where no series has a value
     */
    public static function quantile(array $series, float $share, QuantileType $type = QuantileType::Seven): array
    {
        return self::each($series, (new ColumnQuantile($share, $type))->of(...));
    }

    /**
     * @param array<array-key, list<float>> $series
     * @return list<float>
     */
    public static function mean(array $series): array
    {
        return self::moments($series)[0];
    }

    /**
     * The means, and how far the values are from them: the standard deviation of a sample, divided by n − 1, or of a
     * population, divided by n.
     *
     * @param array<array-key, list<float>> $series
     * @return array{list<float>, list<float>}
     */
    public static function moments(array $series, bool $ofAll = false): array
    {
        $length = $series === [] ? 0 : count(reset($series));
        $sums = $squares = array_fill(0, $length, 0.0);
        $counts = array_fill(0, $length, 0);
        $whole = [];
        foreach ($series as $key => $values) {
            // The sum is a number exactly when every value is.
            $whole[$key] = is_finite(array_sum($values));
            foreach ($values as $i => $value) {
                if ($whole[$key] || !is_nan($value)) {
                    $sums[$i] += $value;
                    $counts[$i]++;
                }
            }
        }
        $means = array_map(
            static fn(float $sum, int $count): float => $count === 0 ? NAN : $sum / $count,
            $sums,
            $counts,
        );
        foreach ($series as $key => $values) {
            foreach ($values as $i => $value) {
                if ($whole[$key] || !is_nan($value)) {
                    $off = $value - $means[$i];
                    $squares[$i] += $off * $off;
                }
            }
        }

        return [
            $means,
            array_map(
                static fn(float $s, int $n): float => $n < 2 ? NAN : sqrt($s / ($ofAll ? $n : $n - 1)),
                $squares,
                $counts,
            ),
        ];
    }

    /**
     * The weighted mean: of ratios weighted by their denominators it is the ratio of sums.
     *
     * @param array<array-key, list<float>> $series
     * @param array<array-key, list<float>> $weights under the same keys
     * @return list<float>
     */
    public static function weightedMean(array $series, array $weights): array
    {
        $means = [];
        $count = $series === [] ? 0 : count(reset($series));
        for ($i = 0; $i < $count; $i++) {
            $sum = $total = 0.0;
            foreach ($series as $key => $values) {
                $weight = $weights[$key][$i] ?? NAN;
                if (!is_nan($values[$i]) && !is_nan($weight)) {
                    $sum += $values[$i] * $weight;
                    $total += $weight;
                }
            }
            $means[] = $total > 0.0 ? $sum / $total : NAN;
        }

        return $means;
    }

    /**
     * @param array<array-key, list<float>> $series
     * @param callable(list<float>): float $figure
     * @return list<float>
     */
    public static function each(array $series, callable $figure): array
    {
        $figures = [];
        $rows = array_values($series);
        for ($i = 0, $count = $rows === [] ? 0 : count($rows[0]); $i < $count; $i++) {
            $figures[] = $figure(array_column($rows, $i));
        }

        return $figures;
    }
}
