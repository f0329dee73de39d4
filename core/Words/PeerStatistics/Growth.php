<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Data\Numerals;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** The compound growth a year of the periods shown, in per cent. */
final readonly class Growth implements PeerStatistic
{
    public static function name(): string
    {
        return 'growth-per-year';
    }

    public static function title(): string
    {
        return 'Growth per year';
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
        return $of->trend->growth;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        return is_nan($of->trend->growth) ? '–' : Numerals::signed($of->trend->growth, 1) . ' %';
    }
}
