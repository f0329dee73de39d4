<?php

declare(strict_types=1);

namespace Tests\Own;

use DuskRail\Data\Numerals;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** A statistic of the peer comparison that the program does not have: how many are worse. */
final readonly class LeftBehind implements PeerStatistic
{
    public static function name(): string
    {
        return 'left-behind';
    }

    public static function title(): string
    {
        return 'Left behind';
    }

    public function applies(Comparison $comparison): bool
    {
        return true;
    }

    public function isYearly(): bool
    {
        return true;
    }

    public function value(PeerComparison $of, PeerYear $year): float
    {
        return (float) ($year->position->of - $year->position->rank);
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        return Numerals::text($this->value($of, $year), 0) . ' worse';
    }
}
