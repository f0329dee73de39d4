<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** The value of the line. */
final readonly class Value implements PeerStatistic
{
    public static function name(): string
    {
        return 'value';
    }

    public static function title(): string
    {
        return 'Value';
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
        return $year->value;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        return $of->comparison->precision->text($year->value, $of->comparison->fineDecimals());
    }
}
