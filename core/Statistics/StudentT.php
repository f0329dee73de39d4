<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Student's t distribution, by the incomplete beta function (Abramowitz and Stegun, 26.7.1). */
final class StudentT
{
    /**
     * Probability of a value at least as far from zero.
     *
     * @param float $freedom degrees of freedom, above zero; they need not be whole
     */
    public static function twoSided(float $t, float $freedom): float
    {
        return Incomplete::beta($freedom / ($freedom + $t * $t), $freedom / 2, 0.5);
    }
}
