<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Time\YearPart;

/** Half-years down and years across. */
final class HalvesDown extends PartsDown
{
    protected function part(): YearPart
    {
        return YearPart::HalfYear;
    }
}
