<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * The linear fit of least squares on one or more drivers with an intercept, by Householder reflections of the centred
 * columns (Golub and Van Loan, “Matrix Computations”, 5.2), which keeps the digits that the normal equations lose.
 */
final readonly class LeastSquares
{
    /** A column whose rest is this small beside it is a combination of the others. */
    private const DEPENDENT = 1e-10;

    /**
     * @param list<float> $slopes one for each driver
     * @param float $rSquared share of the variance that the fit explains; NAN where nothing varies
     */
    private function __construct(
        public float $intercept,
        public array $slopes,
        public float $rSquared,
        public int $count,
    ) {}

    /**
     * @param list<list<float>> $drivers a column each, all of one length
     * @param list<float> $y of the same length; without missing values
     * @return self|null null with fewer points than coefficients, or where a driver follows from the others
     */
    public static function through(array $drivers, array $y): ?self
    {
        $n = count($y);
        $k = count($drivers);
        if ($n < $k + 2) {
            return null;
        }
        $means = array_map(static fn(array $x): float => array_sum($x) / $n, $drivers);
        $meanY = array_sum($y) / $n;
        $columns = [];
        foreach ($drivers as $j => $x) {
            $columns[] = array_map(static fn(float $v): float => $v - $means[$j], $x);
        }
        $rest = array_map(static fn(float $v): float => $v - $meanY, $y);
        $whole = self::dot($rest, $rest, 0);
        $sizes = array_map(static fn(array $x): float => sqrt(self::dot($x, $x, 0)), $columns);
        $triangle = [];
        for ($j = 0; $j < $k; $j++) {
            $norm = sqrt(self::dot($columns[$j], $columns[$j], $j));
            $rounding = self::DEPENDENT * max($sizes[$j], 1e-4 * abs($means[$j]) * sqrt($n));
            if ($norm <= $rounding) {
                return null;
            }
            $mirror = $columns[$j];
            $alpha = $mirror[$j] > 0.0 ? -$norm : $norm;
            $mirror[$j] -= $alpha;
            $length = self::dot($mirror, $mirror, $j);
            for ($other = $j + 1; $other < $k; $other++) {
                $columns[$other] = self::reflected($columns[$other], $mirror, $length, $j);
            }
            $rest = self::reflected($rest, $mirror, $length, $j);
            $triangle[$j] = $alpha;
        }
        $slopes = array_fill(0, $k, 0.0);
        for ($j = $k - 1; $j >= 0; $j--) {
            $sum = $rest[$j];
            for ($other = $j + 1; $other < $k; $other++) {
                $sum -= $columns[$other][$j] * $slopes[$other];
            }
            $slopes[$j] = $sum / $triangle[$j];
        }
        $left = self::dot($rest, $rest, $k);
        $intercept = $meanY;
        foreach ($slopes as $j => $slope) {
            $intercept -= $slope * $means[$j];
        }

        return new self($intercept, array_values($slopes), $whole > 0.0 ? 1.0 - $left / $whole : NAN, $n);
    }

    /** @param list<float> $at a value of each driver */
    public function at(array $at): float
    {
        $value = $this->intercept;
        foreach ($this->slopes as $j => $slope) {
            $value += $slope * $at[$j];
        }

        return $value;
    }

    /**
     * @param list<float> $column
     * @param list<float> $mirror
     * @return list<float>
     */
    private static function reflected(array $column, array $mirror, float $length, int $from): array
    {
        $times = (2.0 * self::dot($column, $mirror, $from)) / $length;
        for ($i = $from, $n = count($column); $i < $n; $i++) {
            $column[$i] -= $times * $mirror[$i];
        }

        return array_values($column);
    }

    /**
     * @param list<float> $a
     * @param list<float> $b
     */
    private static function dot(array $a, array $b, int $from): float
    {
        $sum = 0.0;
        for ($i = $from, $n = count($a); $i < $n; $i++) {
            $sum += $a[$i] * $b[$i];
        }

        return $sum;
    }
}
