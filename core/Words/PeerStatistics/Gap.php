<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\PeerComparison;

/** How distances are written: with their sign, and a decimal more than labels have. */
final class Gap
{
    public static function text(PeerComparison $of, float $gap): string
    {
        return is_nan($gap) ? '–' : $of->comparison->precision->signed($gap, $of->comparison->decimals + 1);
    }
}
