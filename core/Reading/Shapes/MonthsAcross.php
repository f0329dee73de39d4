<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Time\YearPart;

/** Months across and years down. */
final class MonthsAcross extends PartsAcross
{
    public function name(): string
    {
        return 'months-across';
    }

    public function label(): string
    {
        return 'months in columns, years in rows';
    }

    protected function part(): YearPart
    {
        return YearPart::Month;
    }
}
