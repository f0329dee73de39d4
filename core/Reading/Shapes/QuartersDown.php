<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Time\YearPart;

/** Quarters down and years across. */
final class QuartersDown extends PartsDown
{
    protected function part(): YearPart
    {
        return YearPart::Quarter;
    }
}
