<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** Turns values along an axis into the pieces of a stroke: a gap ends a piece and is left open. */
final class Pieces
{
    /**
     * @param list<float> $values along the whole axis
     * @return list<list<float>>
     */
    public static function of(array $values, PlotArea $plot, Scale $scale): array
    {
        $step = $plot->step();
        $x = $plot->x($plot->from);
        $dense = $step > 0.0 && $step < 0.5;
        // The scale written out: a call for each of many thousand points would cost more than the rest of the drawing.
        $slope = $scale->slope;
        $origin = $scale->atLow - $scale->low * $slope;
        $pieces = [];
        $piece = [];
        for ($i = $plot->from; $i <= $plot->to; $i++) {
            $value = $values[$i];
            if (! is_nan($value)) {
                $piece[] = $x;
                $piece[] = $origin + $value * $slope;
            } elseif ($piece !== []) {
                $pieces[] = $dense ? Thinning::perPixelColumn($piece) : $piece;
                $piece = [];
            }
            $x += $step;
        }
        if ($piece !== []) {
            $pieces[] = $dense ? Thinning::perPixelColumn($piece) : $piece;
        }

        return $pieces;
    }
}
