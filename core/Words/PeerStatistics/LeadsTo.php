<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Outlook;
use DuskRail\Words\OutlookWords;

/** Where the line leads by the date of its target. */
final readonly class LeadsTo extends OfOutlook
{
    public static function name(): string
    {
        return 'leads-to';
    }

    public static function title(): string
    {
        return 'Leads to';
    }

    protected function known(Outlook $outlook): float
    {
        return $outlook->leads();
    }

    protected function told(Comparison $comparison, Outlook $outlook): string
    {
        return OutlookWords::leads($comparison, $outlook);
    }
}
