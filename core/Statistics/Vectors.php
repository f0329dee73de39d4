<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Sums over lists of one length. */
final class Vectors
{
    /**
     * @param list<float> $a
     * @param list<float> $b
     */
    public static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += $value * $b[$i];
        }

        return $sum;
    }

    /**
     * A list without so many times another.
     *
     * @param list<float> $a
     * @param list<float> $b
     * @return list<float>
     */
    public static function less(array $a, float $times, array $b): array
    {
        $less = [];
        foreach ($a as $i => $value) {
            $less[] = $value - $times * $b[$i];
        }

        return $less;
    }
}
