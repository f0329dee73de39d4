<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Time\YearPart;

/** Weeks down and years across. */
final class WeeksDown extends PartsDown
{
    protected function part(): YearPart
    {
        return YearPart::Week;
    }
}
