<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Outcome\PlaceRange;
use DuskRail\Words\PeerStatistic;
use DuskRail\Words\PlaceWords;

/** The rank of the line, 1 for the best; of counts with the ranks that chance alone would give it. */
final readonly class Rank implements PeerStatistic
{
    public static function name(): string
    {
        return 'rank';
    }

    public static function title(): string
    {
        return 'Rank';
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
        return (float) $year->position->rank;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        $range = $year === $of->years[0] ? PlaceRange::of($of->comparison, $of->line) : null;

        return PlaceWords::short($year->position) . ($range === null ? '' : " ({$range->inWords()} by chance)");
    }
}
