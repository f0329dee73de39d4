<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * A scale on which values that mean different things can be added: distances from the median in median absolute
 * deviations, times 1.4826 so that one of them is a standard deviation where values are normal (Rousseeuw and Croux,
 * 1993, “Alternatives to the Median Absolute Deviation”; `mad` of R). Where more than half of the values are the same
 * it is the interquartile range over 1.349, and then the standard deviation.
 *
 * Positive values of which the largest is ten times the smallest or more are taken as logarithms.
 */
final readonly class RobustScale
{
    private const LOG_FROM = 10.0;

    private function __construct(public bool $isLog, private float $middle, public float $spread) {}

    /** @param list<float> $values without missing ones */
    public static function of(array $values): self
    {
        $isLog = $values !== [] && min($values) > 0.0 && max($values) >= self::LOG_FROM * min($values);
        $scaled = $isLog ? array_map(log(...), $values) : $values;
        $middle = Quantile::of($scaled, 0.5);
        $spread = 1.4826 * Quantile::of(array_map(static fn(float $v): float => abs($v - $middle), $scaled), 0.5);
        if ($spread === 0.0) {
            $spread = (Quantile::of($scaled, 0.75) - Quantile::of($scaled, 0.25)) / 1.349;
        }
        if ($spread === 0.0 && count($scaled) > 1) {
            $mean = array_sum($scaled) / count($scaled);
            $squares = array_sum(array_map(static fn(float $v): float => ($v - $mean) ** 2, $scaled));
            $spread = sqrt($squares / (count($scaled) - 1));
        }

        return new self($isLog, $middle, is_nan($spread) ? 0.0 : $spread);
    }

    /** Where a value is; 0 where all values are the same. */
    public function at(float $value): float
    {
        return $this->spread > 0.0 ? (($this->isLog ? log($value) : $value) - $this->middle) / $this->spread : 0.0;
    }
}
