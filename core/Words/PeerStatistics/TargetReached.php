<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Outlook;

/** Whether the line gets to its target. */
final readonly class TargetReached extends OfOutlook
{
    public static function name(): string
    {
        return 'target-reached';
    }

    public static function title(): string
    {
        return 'Target';
    }

    protected function known(Outlook $outlook): string
    {
        return $outlook->hasTarget() ? $outlook->prospect->value : '';
    }

    protected function told(Comparison $comparison, Outlook $outlook): string
    {
        return $this->known($outlook);
    }
}
