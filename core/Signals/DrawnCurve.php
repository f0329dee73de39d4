<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\LookPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Views\Views;

/** Between two points a smooth curve shows what nobody measured. */
final class DrawnCurve implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        return $comparison->study->part(LookPart::class)->course === 'smooth' &&
            Views::of($comparison->study)->uses(LookPart::class)
            ? Notice::saying(
                'drawn-curve',
                'Curves between points are for appearance only; they never exceed the two values they join.',
            )->withRemedy('Use straight lines', 'set', ['part' => 'look', 'settings' => ['course' => 'straight']])
            : null;
    }
}
