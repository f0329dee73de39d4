<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Statistics\LeastSquares;
use DuskRail\Statistics\TheilSen;

/**
 * What a value would be expected to be, given the values of its drivers, by a fit across peers. Where values or a
 * driver are positive and span a factor of ten or more, their logarithms are fitted; what is expected is then a
 * geometric mean.
 */
final readonly class Expectation
{
    private const LOG_FROM = 10.0;

    /**
     * @param list<float> $slopes by driver
     * @param list<bool> $logs whether a driver is taken as its logarithm
     * @param float $rSquared of the fit on its own scale
     */
    private function __construct(
        public float $intercept,
        public array $slopes,
        public array $logs,
        public bool $isLog,
        public float $rSquared,
        public int $count,
    ) {}

    /**
     * Which columns are to be taken as logarithms.
     *
     * @param list<list<float>> $columns
     * @return list<bool>
     */
    public static function scales(array $columns): array
    {
        return array_map(
            static fn(array $column): bool => $column !== [] &&
                min($column) > 0.0 &&
                max($column) >= self::LOG_FROM * min($column),
            $columns,
        );
    }

    /**
     * @param list<list<float>> $drivers a column each, all of one length; none is missing
     * @param list<float> $values
     * @param list<bool> $logs whether a driver is taken as its logarithm
     * @param bool $isRobust by the medians of Theil and Sen, which takes one driver
     * @return self|null null where there are too few points, or a driver says nothing of its own
     */
    public static function fit(array $drivers, array $values, array $logs, bool $isLog, bool $isRobust): ?self
    {
        foreach ($drivers as $j => $column) {
            $drivers[$j] = $logs[$j] ? array_map(log(...), $column) : $column;
        }
        $values = $isLog ? array_map(log(...), $values) : $values;
        if ($isRobust && count($drivers) === 1) {
            $line = TheilSen::through($drivers[0], $values);

            return $line === null
                ? null
                : new self(
                    $line[1],
                    [$line[0]],
                    $logs,
                    $isLog,
                    self::explained($drivers[0], $values, $line),
                    count($values),
                );
        }
        $fit = LeastSquares::through($drivers, $values);

        return $fit === null
            ? null
            : new self($fit->intercept, $fit->slopes, $logs, $isLog, $fit->rSquared, $fit->count);
    }

    /**
     * @param list<float> $drivers
     * @return float what is expected; NAN where a driver is missing, or has no logarithm
     */
    public function at(array $drivers): float
    {
        $value = $this->intercept;
        foreach ($this->slopes as $j => $slope) {
            if ($this->logs[$j] && $drivers[$j] <= 0.0) {
                return NAN;
            }
            $value += $slope * ($this->logs[$j] ? log($drivers[$j]) : $drivers[$j]);
        }

        return $this->isLog ? exp($value) : $value;
    }

    /**
     * @param list<float> $x
     * @param list<float> $y
     * @param array{float, float} $line
     */
    private static function explained(array $x, array $y, array $line): float
    {
        $mean = array_sum($y) / count($y);
        $whole = array_sum(array_map(static fn(float $v): float => ($v - $mean) ** 2, $y));
        $left = array_sum(
            array_map(static fn(float $a, float $b): float => ($b - $line[1] - $line[0] * $a) ** 2, $x, $y),
        );

        return $whole > 0.0 ? 1.0 - $left / $whole : NAN;
    }
}
