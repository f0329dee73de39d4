<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Time\YearPart;

/** Months down and years across. */
final class MonthsDown extends PartsDown
{
    public function name(): string
    {
        return 'years-across';
    }

    protected function part(): YearPart
    {
        return YearPart::Month;
    }
}
