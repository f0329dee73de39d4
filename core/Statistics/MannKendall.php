<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Whether a series rises or falls more often than chance would have it: Mann (1945), “Nonparametric Tests Against
 * Trend”; Kendall (1975), “Rank Correlation Methods”, with the variance corrected for ties and the continuity
 * correction. Of fewer than ten values without ties the probability is exact.
 *
 * With seasons each value is compared with those of its own season only: Hirsch, Slack and Smith (1982), “Techniques of
 * Trend Analysis for Monthly Water Quality Data”. Seasons that share good and bad years are not independent: their
 * covariance is that of Hirsch and Slack (1984), “A nonparametric trend test for seasonal data with serial dependence”,
 * after Dietz and Killeen (1981).
 */
final readonly class MannKendall
{
    private const EXACT_BELOW = 10;

    /**
     * @param float $p two-sided probability of a statistic at least as far from zero if there were no trend
     * @param float $covariance of all pairs of seasons, both ways; 0 without seasons
     */
    private function __construct(
        public int $statistic,
        public float $variance,
        public float $z,
        public float $p,
        public float $covariance = 0.0,
    ) {}

    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     * @return self|null null for fewer than four values
     */
    public static function of(array $values, int $season = 1): ?self
    {
        $statistic = $present = 0;
        $variance = 0.0;
        $tied = false;
        for ($part = 0; $part < $season; $part++) {
            $own = [];
            for ($i = $part, $count = count($values); $i < $count; $i += $season) {
                if (!is_nan($values[$i])) {
                    $own[] = $values[$i];
                }
            }
            $present += count($own);
            $statistic += self::statistic($own);
            $apart = self::variance($own);
            $variance += $apart;
            $n = count($own);
            $tied = $tied || $apart < ($n * ($n - 1) * (2 * $n + 5)) / 18;
        }
        if ($present < 4) {
            return null;
        }
        $z = $variance === 0.0 || $statistic === 0 ? 0.0 : ($statistic - ($statistic <=> 0)) / sqrt($variance);
        $exact = $season === 1 && $present < self::EXACT_BELOW && !$tied;

        return new self(
            $statistic,
            $variance,
            $z,
            $exact ? self::exactly($statistic, $present) : 2 * self::upperTail(abs($z)),
            $season > 1 ? self::covariance(self::withoutTrend($values, $season), $season) : 0.0,
        );
    }

    /**
     * The same with the covariance of the seasons, where that makes the variance larger than it is. As far as it is
     * estimated from years, there are as many degrees of freedom as years less two for a line (Satterthwaite, 1946).
     *
     * @param float $plain variance without it
     * @param int $years of values
     */
    public function withCovariance(float $plain, int $years): self
    {
        $variance = $plain + $this->covariance;
        if ($variance <= $this->variance || $this->covariance <= 0.0) {
            return $this;
        }
        $z = $this->z * sqrt($this->variance / $variance);
        $freedom = max(1, $years - 2) / ($this->covariance / $variance) ** 2;

        return new self(
            $this->statistic,
            $variance,
            $z,
            max($this->p, StudentT::twoSided($z, $freedom)),
            $this->covariance,
        );
    }

    /**
     * The same without the median slope, which all seasons would share as well.
     *
     * @param list<float> $values
     * @return list<float>
     */
    private static function withoutTrend(array $values, int $season): array
    {
        $slope = TheilSen::slope($values, $season);
        $rest = [];
        foreach ($values as $i => $value) {
            $rest[] = is_nan($slope) ? $value : $value - $slope * $i;
        }

        return $rest;
    }

    /**
     * The sum of the covariances of the statistics of every two seasons.
     *
     * @param list<float> $values
     */
    private static function covariance(array $values, int $season): float
    {
        $years = intdiv(count($values) + $season - 1, $season);
        $signs = $ranks = [];
        for ($part = 0; $part < $season; $part++) {
            $own = [];
            for ($year = 0; $year < $years; $year++) {
                $own[] = $values[$year * $season + $part] ?? NAN;
            }
            [$signs[], $ranks[]] = self::ordered($own);
        }
        $sum = 0.0;
        for ($one = 0; $one < $season; $one++) {
            for ($other = 0; $other < $one; $other++) {
                $product = 0.0;
                foreach ($signs[$one] as $pair => $sign) {
                    $product += $sign * $signs[$other][$pair];
                }
                foreach ($ranks[$one] as $year => $rank) {
                    $product += 4.0 * $rank * $ranks[$other][$year];
                }
                $sum += (2.0 * $product) / 3.0;
            }
        }

        // A slope has been taken out of the years, which are the fewer for it.
        return $years > 2 ? ($sum * $years) / ($years - 2) : $sum;
    }

    /**
     * Of every two years which is higher, and the rank of each year less the mean rank; 0 with a missing value.
     *
     * @param list<float> $own one a year
     * @return array{list<int>, list<float>}
     */
    private static function ordered(array $own): array
    {
        $signs = [];
        $ranks = array_fill(0, count($own), 0.0);
        for ($i = 0, $n = count($own); $i < $n; $i++) {
            for ($j = $i + 1; $j < $n; $j++) {
                $sign = is_nan($own[$i]) || is_nan($own[$j]) ? 0 : $own[$j] <=> $own[$i];
                $signs[] = $sign;
                $ranks[$j] += $sign / 2;
                $ranks[$i] -= $sign / 2;
            }
        }

        return [$signs, array_values($ranks)];
    }

    /**
     * The same where neighbours are alike, so that there is less in the values than their number says: the variance is
     * so many times larger, and Student's t takes the place of the normal distribution.
     *
     * @param float $times at least 1
     * @param float $freedom degrees of freedom
     */
    public function inflated(float $times, float $freedom): self
    {
        $z = $this->z / sqrt($times);

        return new self(
            $this->statistic,
            $this->variance * $times,
            $z,
            max($this->p, StudentT::twoSided($z, $freedom)),
            $this->covariance,
        );
    }

    /** @param list<float> $values */
    private static function statistic(array $values): int
    {
        $sum = 0;
        for ($i = 0, $n = count($values); $i < $n; $i++) {
            for ($j = $i + 1; $j < $n; $j++) {
                $sum += $values[$j] <=> $values[$i];
            }
        }

        return $sum;
    }

    /** @param list<float> $values */
    private static function variance(array $values): float
    {
        $n = count($values);
        $variance = $n * ($n - 1) * (2 * $n + 5);
        sort($values);
        for ($i = 0; $i < $n; $i += $ties) {
            for ($ties = 1; $i + $ties < $n && $values[$i + $ties] === $values[$i];) {
                $ties++;
            }
            $variance -= $ties * ($ties - 1) * (2 * $ties + 5);
        }

        return $variance / 18;
    }

    /** Of all orders of so many values, the share whose statistic is at least as far from zero. */
    private static function exactly(int $statistic, int $n): float
    {
        // Orders by how many pairs of them fall: each value that is put in adds 0 up to all before it.
        $orders = [1];
        for ($i = 2; $i <= $n; $i++) {
            $next = array_fill(0, count($orders) + $i - 1, 0);
            foreach ($orders as $falls => $count) {
                for ($more = 0; $more < $i; $more++) {
                    $next[$falls + $more] += $count;
                }
            }
            $orders = $next;
        }
        $pairs = intdiv($n * ($n - 1), 2);
        $far = 0;
        foreach ($orders as $falls => $count) {
            $far += abs($pairs - 2 * $falls) >= abs($statistic) ? $count : 0;
        }

        return $far / array_sum($orders);
    }

    /** Probability that a standard normal number is above z, which is not negative. */
    private static function upperTail(float $z): float
    {
        if ($z < 3.0) {
            // Series of the integral from zero: Abramowitz and Stegun, 26.2.11.
            $term = $sum = $z;
            for ($k = 1; $k < 200 && $term > 1e-17; $k++) {
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
