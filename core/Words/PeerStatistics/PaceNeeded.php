<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Outlook;
use DuskRail\Words\OutlookWords;

/** The pace that the target needs from now on, by its date. */
final readonly class PaceNeeded extends OfOutlook
{
    public static function name(): string
    {
        return 'pace-needed';
    }

    public static function title(): string
    {
        return 'Pace needed';
    }

    protected function known(Outlook $outlook): float
    {
        return $outlook->pacing->needed;
    }

    protected function told(Comparison $comparison, Outlook $outlook): string
    {
        return OutlookWords::pace($comparison, $outlook, $outlook->pacing->needed);
    }
}
