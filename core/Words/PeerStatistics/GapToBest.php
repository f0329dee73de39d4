<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** The distance to the best value of all that have one. */
final readonly class GapToBest implements PeerStatistic
{
    public static function name(): string
    {
        return 'gap-to-best';
    }

    public static function title(): string
    {
        return 'Gap to best';
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
        return $year->value - $year->position->best;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        return Gap::text($of, $this->value($of, $year));
    }
}
