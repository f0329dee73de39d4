<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Trailing means that never subtract.
 *
 * The values are cut into blocks as long as the window; a window's sum is the tail of one block plus the head of the
 * next (van Herk, 1992, for minima; the same cut serves sums). So a huge value that has left the window leaves no
 * rounding error behind, which adding the latest and subtracting the oldest would.
 */
final class RollingMean
{
    /**
     * @param list<float> $values missing values are NAN
     * @param int $window how many periods a mean looks back over, its own included, at least 1
     * @param int $needed how many of them must be there; where fewer are, the result is NAN
     * @return list<float>
     */
    public static function trailing(array $values, int $window, int $needed): array
    {
        // The sum is a number exactly when every value is, and asking it is far cheaper than asking each of them.
        if (is_finite(array_sum($values))) {
            return self::unbroken($values, $window, $needed);
        }
        $count = count($values);
        $means = [];
        // Of the block before: sum and number of the values from position i to the block's end.
        $tailSum = array_fill(0, $window + 1, 0.0);
        $tailCount = array_fill(0, $window + 1, 0);
        for ($start = 0; $start < $count; $start += $window) {
            $end = min($start + $window, $count);
            $sum = 0.0;
            $present = 0;
            for ($i = $start, $place = 1; $i < $end; $i++, $place++) {
                $value = $values[$i];
                if (!is_nan($value)) {
                    $sum += $value;
                    $present++;
                }
                $there = $present + $tailCount[$place];
                $means[] = $there >= $needed ? ($sum + $tailSum[$place]) / $there : NAN;
            }
            if ($end - $start < $window) {
                break;
            }
            $sum = 0.0;
            $present = 0;
            for ($i = $end - 1, $place = $window - 1; $place > 0; $i--, $place--) {
                $value = $values[$i];
                if (!is_nan($value)) {
                    $sum += $value;
                    $present++;
                }
                $tailSum[$place] = $sum;
                $tailCount[$place] = $present;
            }
        }

        /** @var list<float> $means */
        return $means;
    }

    /**
     * The same for values that are all there, for which nothing needs to be counted.
     *
     * @param list<float> $values
     * @return list<float>
     */
    private static function unbroken(array $values, int $window, int $needed): array
    {
        $count = count($values);
        $means = $values;
        $sum = 0.0;
        for ($i = 0; $i < $window && $i < $count;) {
            $sum += $values[$i++];
            $means[$i - 1] = $i >= $needed ? $sum / $i : NAN;
        }
        $tail = array_fill(0, $window + 1, 0.0);
        for ($start = $window; $start < $count; $start += $window) {
            $sum = 0.0;
            for ($i = $start - 1, $place = $window - 1; $place > 0; $i--, $place--) {
                $tail[$place] = $sum += $values[$i];
            }
            $end = min($start + $window, $count);
            $sum = 0.0;
            for ($i = $start, $place = 1; $i < $end; $i++, $place++) {
                $sum += $values[$i];
                $means[$i] = ($sum + $tail[$place]) / $window;
            }
        }

        /** @var list<float> $means */
        return $means;
    }

    /**
     * Ratios of trailing means, and the means of what is below, of ratios and of what they were divided by: what
     * trailing() gives of both parts, to the last bit, in one go.
     *
     * @param list<float> $values
     * @param list<float> $weights
     * @return array{list<float>, list<float>}|null null where a ratio or a weight is missing, or no weight is above
     *     zero
     */
    public static function ratios(array $values, array $weights, int $window, int $needed): ?array
    {
        $isWhole = $weights !== [] && is_finite(array_sum($values)) && is_finite(array_sum($weights));
        if (!$isWhole || min($weights) <= 0.0 || count($weights) !== count($values)) {
            return null;
        }
        $count = count($values);
        [$ratios, $means] = [$values, $weights];
        $above = $below = 0.0;
        for ($i = 0; $i < $window && $i < $count; $i++) {
            $above += $values[$i] * $weights[$i];
            $below += $weights[$i];
            $there = $i + 1;
            $means[$i] = $there < $needed ? NAN : $below / $there;
            $ratios[$i] = $there < $needed ? NAN : $above / $there / $means[$i];
        }
        $aboveTail = $belowTail = array_fill(0, $window + 1, 0.0);
        for ($start = $window; $start < $count; $start += $window) {
            $above = $below = 0.0;
            for ($i = $start - 1, $place = $window - 1; $place > 0; $i--, $place--) {
                $aboveTail[$place] = $above += $values[$i] * $weights[$i];
                $belowTail[$place] = $below += $weights[$i];
            }
            $end = min($start + $window, $count);
            $above = $below = 0.0;
            for ($i = $start, $place = 1; $i < $end; $i++, $place++) {
                $weight = $weights[$i];
                $above += $values[$i] * $weight;
                $below += $weight;
                $means[$i] = $mean = ($below + $belowTail[$place]) / $window;
                $ratios[$i] = ($above + $aboveTail[$place]) / $window / $mean;
            }
        }

        /** @var array{list<float>, list<float>} $both */
        $both = [$ratios, $means];

        return $both;
    }
}
