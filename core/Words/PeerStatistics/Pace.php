<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Outlook;
use DuskRail\Words\OutlookWords;

/** The pace since the last turn, or since the period that was chosen. */
final readonly class Pace extends OfOutlook
{
    public static function name(): string
    {
        return 'pace';
    }

    public static function title(): string
    {
        return 'Pace';
    }

    protected function known(Outlook $outlook): float
    {
        return $outlook->pacing->pace;
    }

    protected function told(Comparison $comparison, Outlook $outlook): string
    {
        return OutlookWords::pace($comparison, $outlook, $outlook->pacing->pace);
    }
}
