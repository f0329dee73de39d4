<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

use DuskRail\Time\YearPart;

/** Quarters across and years down. */
final class QuartersAcross extends PartsAcross
{
    public function name(): string
    {
        return 'quarters-across';
    }

    public function label(): string
    {
        return 'quarters in columns, years in rows';
    }

    protected function part(): YearPart
    {
        return YearPart::Quarter;
    }
}
