<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Trailing minima, maxima and medians over a window; missing values are left out as long as enough are there. */
final class RollingExtreme
{
    /**
     * @param list<float> $values
     * @return list<float>
     */
    public static function lowest(array $values, int $window, int $needed): array
    {
        return self::trailing($values, $window, $needed, false);
    }

    /**
     * @param list<float> $values
     * @return list<float>
     */
    public static function highest(array $values, int $window, int $needed): array
    {
        return self::trailing($values, $window, $needed, true);
    }

    /**
     * By blocks, as van Herk (1992), “A fast algorithm for local minimum and maximum filters”: three comparisons a
     * value however long the window.
     *
     * @param list<float> $values
     * @param bool $highest the maximum, else the minimum
     * @return list<float>
     */
    private static function trailing(array $values, int $window, int $needed, bool $highest): array
    {
        // A minimum is a maximum upside down; a missing value can then be minus infinity in both.
        $sign = $highest ? 1.0 : -1.0;
        $count = count($values);
        $whole = is_finite(array_sum($values));
        $tail = array_fill(0, $window + 1, -INF);
        $tailCount = array_fill(0, $window + 1, 0);
        $found = [];
        for ($start = 0; $start < $count; $start += $window) {
            $end = min($start + $window, $count);
            $most = -INF;
            $present = 0;
            for ($i = $start, $place = 1; $i < $end; $i++, $place++) {
                if ($whole || !is_nan($values[$i])) {
                    $present++;
                    $value = $sign * $values[$i];
                    $most = $value > $most ? $value : $most;
                }
                $before = $tail[$place];
                $found[] = $present + $tailCount[$place] >= $needed ? $sign * ($most > $before ? $most : $before) : NAN;
            }
            $most = -INF;
            $present = 0;
            for ($i = $end - 1, $place = $end - $start - 1; $place > 0; $i--, $place--) {
                if ($whole || !is_nan($values[$i])) {
                    $present++;
                    $value = $sign * $values[$i];
                    $most = $value > $most ? $value : $most;
                }
                $tail[$place] = $most;
                $tailCount[$place] = $present;
            }
        }

        return $found;
    }

    /**
     * Keeps the window sorted: what comes is put in its place, what leaves is taken out.
     *
     * @param list<float> $values
     * @return list<float>
     */
    public static function medians(array $values, int $window, int $needed): array
    {
        $medians = [];
        /** @var array<int, float> $sorted */
        $sorted = [];
        $count = 0;
        foreach ($values as $i => $value) {
            $leaving = $i >= $window ? $values[$i - $window] : NAN;
            $comes = !is_nan($value);
            if (!is_nan($leaving)) {
                $at = self::place($sorted, $leaving);
                if ($comes) {
                    // One in the place of the other: what is between the two moves by one.
                    for ($last = $count - 1; $at < $last && $sorted[$at + 1] < $value; $at++) {
                        $sorted[$at] = $sorted[$at + 1];
                    }
                    for (; $at > 0 && $sorted[$at - 1] > $value; $at--) {
                        $sorted[$at] = $sorted[$at - 1];
                    }
                    $sorted[$at] = $value;
                } else {
                    array_splice($sorted, $at, 1);
                    $count--;
                }
            } elseif ($comes) {
                array_splice($sorted, self::place($sorted, $value), 0, [$value]);
                $count++;
            }
            $medians[] =
                $count >= $needed && $count > 0 ? ($sorted[($count - 1) >> 1] + $sorted[$count >> 1]) / 2 : NAN;
        }

        return $medians;
    }

    /** @param array<int, float> $sorted */
    private static function place(array $sorted, float $value): int
    {
        $low = 0;
        $high = count($sorted);
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($sorted[$middle] < $value) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }
}
