<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Data\Numerals;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** The share of the others that are worse, with half of those that are equal. */
final readonly class Percentile implements PeerStatistic
{
    public static function name(): string
    {
        return 'percentile';
    }

    public static function title(): string
    {
        return 'Percentile';
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
        return $year->position->percentile;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        return Numerals::text($year->position->percentile, 0);
    }
}
