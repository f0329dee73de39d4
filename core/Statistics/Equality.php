<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Values are equal that differ in their last bits alone. Ranks, ties, records, runs and crossings all ask here, or
 * rounding would part what was the same before it was calculated with: 4.4 − 4.1 and 1.5 − 1.2.
 */
final class Equality
{
    /** Share of the larger value up to which two are equal. */
    public const ROUNDING = 1e-11;

    /** @return int −1, 0 or 1 as `<=>` has it; −1 or 1 with a missing value */
    public static function compare(float $one, float $other): int
    {
        return self::holds($one, $other) ? 0 : $one <=> $other;
    }

    public static function holds(float $one, float $other): bool
    {
        return $one === $other || abs($one - $other) <= self::ROUNDING * max(abs($one), abs($other));
    }

    /** A difference, which is nothing where the two are equal. */
    public static function difference(float $one, float $other): float
    {
        return self::holds($one, $other) ? 0.0 : $one - $other;
    }
}
