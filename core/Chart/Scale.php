<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Study\Comparison;

/** A straight scale from values to pixels. */
final readonly class Scale
{
    /** Pixels to one of the values. */
    public float $slope;

    public function __construct(public float $low, public float $high, public float $atLow, public float $atHigh)
    {
        $this->slope = $high === $low ? 0.0 : ($atHigh - $atLow) / ($high - $low);
    }

    public function at(float $value): float
    {
        return $this->atLow + ($value - $this->low) * $this->slope;
    }

    /**
     * The scale for a vertical axis of values: from zero where zero is near (or the values reach below it), else cut.
     *
     * @param iterable<float> $values missing ones left out
     */
    public static function vertical(iterable $values, float $bottom, float $top): self
    {
        $low = INF;
        $high = -INF;
        foreach ($values as $value) {
            $low = $value < $low ? $value : $low;
            $high = $value > $high ? $value : $high;
        }
        if ($low > $high) {
            return new self(0.0, 1.0, $bottom, $top);
        }
        if ($low === $high) {
            $spare = $low === 0.0 ? 1.0 : abs($low) * 0.1;

            return new self($low - $spare, $high + $spare, $bottom, $top);
        }
        $spare = ($high - $low) * 0.04;
        $zero = $low >= 0.0 && $low <= $high * Comparison::NEAR_ZERO;

        return new self($zero ? 0.0 : $low - $spare, $high + $spare, $bottom, $top);
    }
}
