<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** Turns values along an axis into the pieces of a stroke: a gap ends a piece and is left open. */
final class Pieces
{
    /**
     * @param list<float> $values along the whole axis
     * @param array<int, true> $absent positions that do not exist for this line, and are passed over
     * @param 'straight'|'smooth'|'steps' $course
     * @return list<list<float>>
     */
    public static function of(
        array $values,
        PlotArea $plot,
        Scale $scale,
        array $absent = [],
        string $course = 'straight',
    ): array {
        $step = $plot->step();
        $x = $plot->x($plot->from);
        $dense = $step > 0.0 && $step < 0.5;
        if ($scale->log) {
            $values = array_map(static fn(float $v): float => $v > 0.0 ? log10($v) : NAN, $values);
        }
        // The scale written out: a call for each of many thousand points would cost more than the rest of the drawing.
        $slope = $scale->slope;
        $origin = $scale->atLow - ($scale->log ? log10($scale->low) : $scale->low) * $slope;
        $pieces = [];
        $piece = [];
        for ($i = $plot->from; $i <= $plot->to; $i++) {
            $value = $values[$i];
            if (!is_nan($value)) {
                $piece[] = $x;
                $piece[] = $origin + $value * $slope;
            } elseif ($piece !== [] && !isset($absent[$i])) {
                $pieces[] = self::drawn($piece, $dense, $course);
                $piece = [];
            }
            $x += $step;
        }
        if ($piece !== []) {
            $pieces[] = self::drawn($piece, $dense, $course);
        }

        return $pieces;
    }

    /**
     * @param list<float> $piece
     * @return list<float>
     */
    private static function drawn(array $piece, bool $dense, string $course): array
    {
        return match (true) {
            $dense => Thinning::perPixelColumn($piece),
            $course === 'smooth' => Curve::through($piece),
            $course === 'steps' => self::steps($piece),
            default => $piece,
        };
    }

    /**
     * Each value holds until the next.
     *
     * @param list<float> $piece
     * @return list<float>
     */
    private static function steps(array $piece): array
    {
        $steps = [$piece[0], $piece[1]];
        for ($i = 2, $count = count($piece); $i < $count; $i += 2) {
            array_push($steps, $piece[$i], $piece[$i - 1], $piece[$i], $piece[$i + 1]);
        }

        return $steps;
    }
}
