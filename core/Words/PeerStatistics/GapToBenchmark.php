<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** The distance to the benchmark shown, such as a national average; which one is said with the latest. */
final readonly class GapToBenchmark implements PeerStatistic
{
    public static function name(): string
    {
        return 'gap-to-benchmark';
    }

    public static function title(): string
    {
        return 'Gap to benchmark';
    }

    public function applies(Comparison $comparison): bool
    {
        return PeerComparison::benchmark($comparison) !== null;
    }

    public function isYearly(): bool
    {
        return true;
    }

    public function value(PeerComparison $of, PeerYear $year): float
    {
        return $year->value - $year->benchmark;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        $gap = $this->value($of, $year);
        $name = $year === $of->years[0] ? PeerComparison::benchmark($of->comparison)?->name : null;

        return Gap::text($of, $gap) . ($name === null || is_nan($gap) ? '' : " to {$name}");
    }
}
