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
        $means = [];
        $tail = array_fill(0, $window + 1, 0.0);
        for ($start = 0; $start < $count; $start += $window) {
            $end = min($start + $window, $count);
            $sum = 0.0;
            for ($i = $start, $place = 1; $i < $end; $i++, $place++) {
                $sum += $values[$i];
                $there = $start === 0 ? $place : $window;
                $means[] = $there >= $needed ? ($sum + $tail[$place]) / $there : NAN;
            }
            $sum = 0.0;
            for ($i = $end - 1, $place = $end - $start - 1; $place > 0; $i--, $place--) {
                $tail[$place] = $sum += $values[$i];
            }
        }

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
        $ratios = $means = [];
        $aboveTail = $belowTail = array_fill(0, $window + 1, 0.0);
        for ($start = 0; $start < $count; $start += $window) {
            $end = min($start + $window, $count);
            $above = $below = 0.0;
            for ($i = $start, $place = 1; $i < $end; $i++, $place++) {
                $weight = $weights[$i];
                $above += $values[$i] * $weight;
                $below += $weight;
                $there = $start === 0 ? $place : $window;
                if ($there < $needed) {
                    $ratios[] = $means[] = NAN;
                    continue;
                }
                $means[] = $mean = ($below + $belowTail[$place]) / $there;
                $ratios[] = ($above + $aboveTail[$place]) / $there / $mean;
            }
            $above = $below = 0.0;
            for ($i = $end - 1, $place = $end - $start - 1; $place > 0; $i--, $place--) {
                $aboveTail[$place] = $above += $values[$i] * $weights[$i];
                $belowTail[$place] = $below += $weights[$i];
            }
        }

        return [$ratios, $means];
    }
}
