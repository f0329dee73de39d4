<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/**
 * Sets labels in a column so that none overlaps and they move as little as possible (least squares).
 *
 * Labels keep the order of the points they belong to. The problem is isotonic regression on (wanted place − distance to
 * the first), solved by pooling adjacent violators: Ayer, Brunk, Ewing, Reid and Silverman (1955).
 */
final class LabelPlacement
{
    /**
     * @param array<array-key, float> $wanted centre of each label, in pixels
     * @param float|array<array-key, float> $heights room that a label takes: of all, or of each under its key
     * @return array<array-key, float> centres, under the same keys, within low and high as far as there is room
     */
    public static function column(array $wanted, float|array $heights, float $low, float $high): array
    {
        asort($wanted);
        $keys = array_keys($wanted);
        $height = static fn(int $i): float => is_array($heights) ? $heights[$keys[$i]] : $heights;
        // How far each centre must be below the first.
        $below = [];
        foreach (array_keys($keys) as $i) {
            $below[] = $i === 0 ? 0.0 : $below[$i - 1] + ($height($i - 1) + $height($i)) / 2;
        }
        // Blocks of labels that touch: sum of their shifted places, and how many there are.
        $sums = $counts = [];
        foreach (array_values($wanted) as $i => $place) {
            $sums[] = $place - $below[$i];
            $counts[] = 1;
            for (
                $last = count($sums) - 1;
                $last > 0 && $sums[$last - 1] / $counts[$last - 1] > $sums[$last] / $counts[$last];
                $last--
            ) {
                $sums[$last - 1] += array_pop($sums);
                $counts[$last - 1] += (int) array_pop($counts);
            }
        }
        $count = count($keys);
        if ($count === 0) {
            return [];
        }
        $bottom = $low + $height(0) / 2;
        $top = max($bottom, $high - $height($count - 1) / 2 - $below[$count - 1]);
        $placed = [];
        $i = 0;
        foreach ($counts as $block => $size) {
            $place = min($top, max($bottom, $sums[$block] / $size));
            for ($j = 0; $j < $size; $j++, $i++) {
                $placed[$keys[$i]] = $place + $below[$i];
            }
        }

        return $placed;
    }
}
