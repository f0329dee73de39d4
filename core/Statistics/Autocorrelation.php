<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * How alike neighbouring values are, besides trend and seasons, and how much that widens the spread of a rank
 * statistic: Hamed and Rao (1998), “A modified Mann-Kendall trend test for autocorrelated data”, with the
 * autocorrelations of a first-order process, whose one number is freed of its bias in short series (Kendall, 1954;
 * Marriott and Pope, 1954).
 */
final readonly class Autocorrelation
{
    /** More would say that nothing at all is known. */
    private const MOST = 0.98;

    /** More standard errors than chance brings in one of twenty very short series, and in one of ten others. */
    private const CLEAR = [1.645, 1.28];

    private const VERY_SHORT = 12;

    /**
     * @param float $correlation of neighbours, 0 to 1
     * @param float $inflation how many times wider the variance of the statistic is, at least 1
     */
    private function __construct(public float $correlation, public float $inflation, private int $count) {}

    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     */
    public static function of(array $values, int $season): self
    {
        $rest = self::rest($values, $season);
        $count = count(array_filter($rest, static fn(float $v): bool => !is_nan($v)));
        $square = $product = 0.0;
        $pairs = 0;
        foreach ($rest as $i => $value) {
            $square += is_nan($value) ? 0.0 : $value * $value;
            $next = $rest[$i + 1] ?? NAN;
            if (!is_nan($value) && !is_nan($next)) {
                $product += $value * $next;
                $pairs++;
            }
        }
        if ($square <= 0.0 || $pairs < 2 || $count < 5) {
            return new self(0.0, 1.0, $count);
        }
        // Gaps leave fewer pairs than values.
        $found = ($product / $pairs / ($square / $count)) * (($count - 1) / $count);
        $free = ($found + 2 / $count) / (1 - 4 / $count);

        $correlation = max(0.0, min(self::MOST, $free));

        return new self($correlation, self::widening($correlation, $count, $season), $count);
    }

    /** Whether it is more than chance brings into so few values. */
    public function isClear(): bool
    {
        $clear = self::CLEAR[$this->count < self::VERY_SHORT ? 0 : 1];

        return $this->correlation > $clear / sqrt(max(1, $this->count));
    }

    /** How many times wider the variance of the statistic is, at least 1. */
    private static function widening(float $correlation, int $n, int $season): float
    {
        if ($correlation === 0.0 || $n < 4) {
            return 1.0;
        }
        $sum = 0.0;
        $power = 1.0;
        for ($k = 1; $k < $n - 2; $k++) {
            $power *= $correlation;
            if ($power < 1e-9) {
                break;
            }
            // Of ranks, which is what the test looks at.
            $alike = (6 / M_PI) * asin($power / 2);
            $sum += $season > 1 ? (1 - $k / $n) * $alike : ($n - $k) * ($n - $k - 1) * ($n - $k - 2) * $alike;
        }

        return max(1.0, 1 + ($season > 1 ? 2 * $sum : (2 * $sum) / ($n * ($n - 1) * ($n - 2))));
    }

    /** As many independent values as there is in these, less two for a straight line; at least 1. */
    public function freedom(): float
    {
        return max(1.0, $this->count / $this->inflation - 2.0);
    }

    /**
     * What is left without a straight line and without seasons.
     *
     * @param list<float> $values
     * @return list<float>
     */
    private static function rest(array $values, int $season): array
    {
        $rest = $values;
        $places = array_map(floatval(...), array_keys($values));
        $seasons = array_fill(0, $season, 0.0);
        // A second time round, since a line through values with their seasons leans with them.
        for ($round = 0; $round < ($season > 1 ? 2 : 1); $round++) {
            $apart = [];
            foreach ($values as $i => $value) {
                $apart[] = $value - $seasons[$i % $season];
            }
            $line = StraightLine::through($places, $apart);
            if ($line === null) {
                return array_fill(0, count($values), NAN);
            }
            foreach ($values as $i => $value) {
                $rest[$i] = $value - ($line->intercept + $line->slope * $i);
            }
            $sums = array_fill(0, $season, 0.0);
            $counts = array_fill(0, $season, 0);
            foreach ($rest as $i => $value) {
                if (!is_nan($value)) {
                    $sums[$i % $season] += $value;
                    $counts[$i % $season]++;
                }
            }
            foreach ($sums as $part => $sum) {
                $seasons[$part] = $counts[$part] === 0 ? 0.0 : $sum / $counts[$part];
            }
        }
        $mean = array_sum($seasons) / $season;
        foreach ($rest as $i => $value) {
            $rest[$i] = $value - ($season > 1 ? $seasons[$i % $season] : $mean);
        }

        return array_values($rest);
    }
}
