<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;

/** Looks at a comparison for one thing that would mislead. To add one: write a class, and name it in Signals. */
interface Signal
{
    public function notice(Comparison $comparison): ?Notice;
}
