<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\AxisPart;
use DuskRail\Outcome\Comparison;

/** A scale from values to pixels: straight, or logarithmic, where equal ratios are equal distances. */
final readonly class Scale
{
    /** Pixels to one of the values, or to one decade of them. */
    public float $slope;

    /**
     * @param float $low in values, of a logarithmic scale above zero
     */
    public function __construct(
        public float $low,
        public float $high,
        public float $atLow,
        public float $atHigh,
        public bool $log = false,
    ) {
        $span = $log ? log10($high) - log10($low) : $high - $low;
        $this->slope = $span === 0.0 ? 0.0 : ($atHigh - $atLow) / $span;
    }

    /** NAN for what a logarithmic scale does not have. */
    public function at(float $value): float
    {
        if ($this->log) {
            return $value > 0.0 ? $this->atLow + (log10($value) - log10($this->low)) * $this->slope : NAN;
        }

        return $this->atLow + ($value - $this->low) * $this->slope;
    }

    /** The value at a place: what at() comes from. */
    public function value(float $at): float
    {
        $steps = $this->slope === 0.0 ? 0.0 : ($at - $this->atLow) / $this->slope;

        return $this->log ? $this->low * 10 ** $steps : $this->low + $steps;
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

    /**
     * The same as the user wants it: from zero, logarithmic, or within limits that were set.
     *
     * @param array{float, float} $extremes lowest and highest value; INF and −INF when there is none
     * @param bool $limited whether the limits of the axis were set in this view
     */
    public static function wanted(array $extremes, AxisPart $axis, bool $limited, float $bottom, float $top): self
    {
        [$low, $high] = $extremes;
        $limits = $limited ? [$axis->low, $axis->high] : [null, null];
        if ($axis->log && $high > 0.0 && $low <= $high) {
            return self::logarithmic($extremes, $limits, $bottom, $top);
        }
        $scale = self::vertical($low <= $high ? [$low, $high] : [], $bottom, $top);
        if ($axis->start === 'zero' && $scale->low > 0.0) {
            $scale = new self(0.0, $scale->high, $bottom, $top);
        }
        if (!$limited) {
            return $scale;
        }
        $from = $axis->low ?? min($scale->low, ($axis->high ?? INF) - 1.0);
        $to = $axis->high ?? max($scale->high, $from + 1.0);

        return $from < $to ? new self($from, $to, $bottom, $top) : $scale;
    }

    /** Whether zero is on it. */
    public function hasZero(): bool
    {
        return !$this->log && min($this->low, $this->high) <= 0.0 && max($this->low, $this->high) >= 0.0;
    }

    /**
     * The logarithms that an axis is drawn between; null where nothing is above zero.
     *
     * @param array{float, float} $extremes lowest and highest value
     * @return array{float, float}|null
     */
    public static function logarithms(array $extremes): ?array
    {
        [$low, $high] = $extremes;

        return $high > 0.0 && $low <= $high ? [log10($low > 0.0 ? $low : $high / 1000.0), log10($high)] : null;
    }

    /** The same values between other pixels. */
    public function between(float $atLow, float $atHigh): self
    {
        return new self($this->low, $this->high, $atLow, $atHigh, $this->log);
    }

    /**
     * From a twentieth of a decade below the lowest value above zero to as much above the highest.
     *
     * @param array{float, float} $extremes
     * @param array{float|null, float|null} $limits
     */
    private static function logarithmic(array $extremes, array $limits, float $bottom, float $top): self
    {
        [$low, $high] = $extremes;
        [$from, $to] = $limits;
        $low = $low > 0.0 ? $low : $high / 1000.0;
        $spare = 10 ** max(0.02, (log10($high) - log10($low)) * 0.05);
        $from = $from !== null && $from > 0.0 ? $from : $low / $spare;
        $to = $to !== null && $to > $from ? $to : max($high * $spare, $from * 1.1);

        return new self($from, $to, $bottom, $top, true);
    }
}
