<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Quantiles by linear interpolation: Hyndman and Fan (1996), “Sample Quantiles in Statistical Packages”. */
final class Quantile
{
    /** Up to so many values it is quicker to sort them all. */
    private const MANY = 500;

    /**
     * @param list<float> $values missing values (NAN) are left out
     * @param float $share 0 to 1; 0.5 is the median
     * @return float NAN when no value is there
     */
    public static function of(array $values, float $share, QuantileType $type = QuantileType::Seven): float
    {
        // The sum is a number exactly when every value is, and asking it is far cheaper than asking each of them.
        $present = is_finite(array_sum($values))
            ? $values
            : array_values(array_filter($values, static fn(float $v): bool => !is_nan($v)));
        $count = count($present);
        if ($count === 0) {
            return NAN;
        }
        $place = $type->place($count, $share);
        $below = (int) floor($place);
        $part = $place - $below;
        if ($count > self::MANY) {
            [$present, $below] = self::near($present, $below);
        } else {
            sort($present);
        }

        return $part === 0.0 ? $present[$below] : $present[$below] + $part * ($present[$below + 1] - $present[$below]);
    }

    /**
     * Of many values only those that may be the wanted one or the next are sorted: they are counted by where they are
     * between the lowest and the highest, and the others are left alone.
     *
     * @param non-empty-list<float> $values
     * @return array{list<float>, int} some of the values in order, and where the wanted one is among them
     */
    private static function near(array $values, int $wanted): array
    {
        $count = count($values);
        $low = min($values);
        $high = max($values);
        $scale = $high > $low ? ($count - 1) / ($high - $low) : INF;
        if (!is_finite($scale)) {
            sort($values);

            return [$values, $wanted];
        }
        $counts = array_fill(0, $count, 0);
        foreach ($values as $value) {
            $counts[(int) (($value - $low) * $scale)]++;
        }
        $before = 0;
        for ($first = 0; $before + $counts[$first] <= $wanted; $first++) {
            $before += $counts[$first];
        }
        $through = $before + $counts[$first];
        for ($last = $first; $through <= min($wanted + 1, $count - 1); $through += $counts[$last]) {
            $last++;
        }
        $near = [];
        foreach ($values as $value) {
            $bin = (int) (($value - $low) * $scale);
            if ($bin >= $first && $bin <= $last) {
                $near[] = $value;
            }
        }
        sort($near);

        return [$near, $wanted - $before];
    }
}
