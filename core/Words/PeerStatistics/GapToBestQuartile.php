<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** The distance to the best quartile of the peers. */
final readonly class GapToBestQuartile implements PeerStatistic
{
    public static function name(): string
    {
        return 'gap-to-best-quartile';
    }

    public static function title(): string
    {
        return 'Gap to best quartile';
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
        return $year->value - $year->position->bestQuartile;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        return Gap::text($of, $this->value($of, $year));
    }
}
