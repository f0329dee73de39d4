<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Sums that lose nothing to rounding on the way: Neumaier (1974), the improved Kahan–Babuška algorithm. */
final class Total
{
    private float $sum = 0.0;

    private float $lost = 0.0;

    public function add(float $value): void
    {
        $sum = $this->sum + $value;
        $this->lost += abs($this->sum) >= abs($value) ? $this->sum - $sum + $value : $value - $sum + $this->sum;
        $this->sum = $sum;
    }

    public function value(): float
    {
        return $this->sum + $this->lost;
    }
}
