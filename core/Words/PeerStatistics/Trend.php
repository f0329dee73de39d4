<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** The trend of the periods shown, in one word. */
final readonly class Trend implements PeerStatistic
{
    public static function name(): string
    {
        return 'trend';
    }

    public static function title(): string
    {
        return 'Trend';
    }

    public function applies(Comparison $comparison): bool
    {
        return true;
    }

    public function isYearly(): bool
    {
        return false;
    }

    public function value(PeerComparison $of, PeerYear $year): string
    {
        return $of->comparison->verdict($of->trend->trend);
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        return $of->comparison->verdict($of->trend->trend);
    }
}
