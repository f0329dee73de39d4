<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Document\Parts\PeersPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** The distance to the target of the study. */
final readonly class GapToTarget implements PeerStatistic
{
    public static function name(): string
    {
        return 'gap-to-target';
    }

    public static function title(): string
    {
        return 'Gap to target';
    }

    public function applies(Comparison $comparison): bool
    {
        return !$comparison->study->part(PeersPart::class)->target->isNone();
    }

    public function isYearly(): bool
    {
        return true;
    }

    public function value(PeerComparison $of, PeerYear $year): float
    {
        return $year->value - $year->target;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        return Gap::text($of, $this->value($of, $year));
    }
}
