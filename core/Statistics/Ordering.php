<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Puts values in order without moving them. */
final class Ordering
{
    /** Up to so many values PHP's own sort is quicker. */
    private const MANY = 200;

    /** More values than this in one bin, and ordering within the bins would take too long. */
    private const CROWDED = 40;

    /**
     * Positions of the values from the lowest to the highest; missing ones (NAN) are left out.
     *
     * Many values are dealt into as many bins between the lowest and the highest, which leaves little to be sorted
     * unless they are crowded in one place.
     *
     * @param list<float> $values
     * @return list<int>
     */
    public static function ascending(array $values): array
    {
        $present = is_finite(array_sum($values))
            ? $values
            : array_filter($values, static fn(float $v): bool => !is_nan($v));
        $count = count($present);
        if ($count <= self::MANY) {
            asort($present);

            return array_keys($present);
        }
        $low = min($present);
        $high = max($present);
        $scale = $high > $low ? ($count - 1) / ($high - $low) : INF;
        $ends = array_fill(0, $count + 1, 0);
        if (is_finite($scale)) {
            foreach ($present as $value) {
                $ends[(int) (($value - $low) * $scale) + 1]++;
            }
        }
        if (!is_finite($scale) || max($ends) > self::CROWDED) {
            asort($present);

            return array_keys($present);
        }
        for ($bin = 1; $bin < $count; $bin++) {
            $ends[$bin] += $ends[$bin - 1];
        }
        $order = array_fill(0, $count, 0);
        foreach ($present as $at => $value) {
            $order[$ends[(int) (($value - $low) * $scale)]++] = $at;
        }
        // Within a bin by insertion: nothing has to move far.
        for ($i = 1; $i < $count; $i++) {
            $at = $order[$i];
            $value = $values[$at];
            for ($j = $i; $j > 0 && $values[$order[$j - 1]] > $value; $j--) {
                $order[$j] = $order[$j - 1];
            }
            $order[$j] = $at;
        }

        return array_values($order);
    }
}
