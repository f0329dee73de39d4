<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Study\Comparison;
use DuskRail\Study\View;

/** Between two points a smooth curve shows what nobody measured. */
final class DrawnCurve implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        return $comparison->study->look->course === 'smooth' && in_array($comparison->study->view, [View::Lines, View::Overlay], true)
            ? Notice::saying('drawn-curve', 'The curve between the points is a drawing aid; it never leaves the range of the two it joins.')->mendedBy('Straight', 'set', ['part' => 'look', 'settings' => ['course' => 'straight']])
            : null;
    }
}
