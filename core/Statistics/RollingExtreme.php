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
     * By blocks, as van Herk (1992), “A fast algorithm for local minimum and maximum filters”: three comparisons a value
     * however long the window.
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
                if ($whole || ! is_nan($values[$i])) {
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
                if ($whole || ! is_nan($values[$i])) {
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
        /** @var list<float> $sorted */
        $sorted = [];
        foreach ($values as $i => $value) {
            $leaving = $i >= $window ? $values[$i - $window] : NAN;
            if (! is_nan($leaving) && ! is_nan($value)) {
                $sorted = self::replaced($sorted, $leaving, $value);
            } elseif (! is_nan($leaving)) {
                array_splice($sorted, self::place($sorted, $leaving), 1);
            } elseif (! is_nan($value)) {
                array_splice($sorted, self::place($sorted, $value), 0, [$value]);
            }
            $count = count($sorted);
            $medians[] = $count >= $needed && $count > 0
                ? ($sorted[($count - 1) >> 1] + $sorted[$count >> 1]) / 2
                : NAN;
        }

        return $medians;
    }

    /**
     * One value in the place of another: what lies between the two moves by one.
     *
     * @param list<float> $sorted
     * @return list<float>
     */
    private static function replaced(array $sorted, float $leaving, float $coming): array
    {
        $at = self::place($sorted, $leaving);
        $last = count($sorted) - 1;
        while ($at < $last && $sorted[$at + 1] < $coming) {
            $sorted[$at] = $sorted[$at + 1];
            $at++;
        }
        while ($at > 0 && $sorted[$at - 1] > $coming) {
            $sorted[$at] = $sorted[$at - 1];
            $at--;
        }
        $sorted[$at] = $coming;

        return array_values($sorted);
    }

    /** @param list<float> $sorted */
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
