<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;
use DuskRail\Words\PlaceWords;

/** The rank of the line a year before the reference period. */
final readonly class RankBefore implements PeerStatistic
{
    public static function name(): string
    {
        return 'rank-a-year-earlier';
    }

    public static function title(): string
    {
        return 'Rank a year earlier';
    }

    public function applies(Comparison $comparison): bool
    {
        return true;
    }

    public function isYearly(): bool
    {
        return false;
    }

    public function value(PeerComparison $of, PeerYear $year): float
    {
        return (float) ($of->before()->rank ?? NAN);
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        return $of->before() === null ? '–' : PlaceWords::short($of->before());
    }
}
