<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\ScatterPoint;

/** Where the points of a scatter are, how large, in which order, and in which colours. */
final class ScatterGeometry
{
    /** @return array{list<float>, list<float>} */
    public static function values(Scattered $scatter): array
    {
        $xs = $ys = [];
        foreach ($scatter->points as $point) {
            foreach ($point->path === [] ? [[$point->x, $point->y]] : $point->path as [$x, $y]) {
                $xs[] = $x;
                $ys[] = $y;
            }
        }

        return [$xs, $ys];
    }

    /** @param list<float> $values */
    public static function scale(array $values, float $atLow, float $atHigh): Scale
    {
        if ($values === []) {
            return new Scale(0.0, 1.0, $atLow, $atHigh);
        }
        [$low, $high] = [min($values), max($values)];
        $spare = $high > $low ? ($high - $low) * 0.07 : (abs($low) ?: 1.0) * 0.1;
        // Where the values come near zero, the axis shows it.
        $from = $low >= 0.0 && $low <= $high * Comparison::NEAR_ZERO ? 0.0 : $low - $spare;

        return new Scale($from, $high + $spare, $atLow, $atHigh);
    }

    /** The area, not the width, is in proportion. */
    public static function radius(ScatterPoint $point, Scattered $scatter): float
    {
        return $scatter->vertical->study->part(ScatterPart::class)->size !== ''
            ? 3.0 + 15.0 * sqrt($point->size)
            : ($point->line->hue > 0
                ? 7.0
                : 5.0);
    }

    /**
     * Quiet ones behind, large ones behind small ones, the first in focus on top.
     *
     * @param list<ScatterPoint> $points
     * @return list<ScatterPoint>
     */
    public static function back(array $points): array
    {
        usort(
            $points,
            static fn(ScatterPoint $a, ScatterPoint $b): int => [$a->line->hue > 0, -$a->size, -$a->line->hue] <=> [
                $b->line->hue > 0,
                -$b->size,
                -$b->line->hue,
            ],
        );

        return $points;
    }

    /** @return array<string, int> hue by group, where groups have lines of their own */
    public static function groupHues(Scattered $scatter): array
    {
        $hues = [];
        $taken = array_map(static fn(ScatterPoint $p): int => $p->line->hue, $scatter->points);
        $free = array_values(array_diff(range(1, 6), $taken));
        foreach (array_keys($scatter->fits) as $group) {
            $hues[$group] = $free[count($hues)] ?? 1;
        }

        return $hues;
    }
}
