<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** The distance to the median of the peers. */
final readonly class GapToMedian implements PeerStatistic
{
    public static function name(): string
    {
        return 'gap-to-median';
    }

    public static function title(): string
    {
        return 'Gap to median';
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
        return $year->value - $year->position->median;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        return Gap::text($of, $this->value($of, $year));
    }
}
