<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** Whether the line gets to its target. */
final readonly class TargetReached implements PeerStatistic
{
    public static function name(): string
    {
        return 'target-reached';
    }

    public static function title(): string
    {
        return 'Target';
    }

    public function applies(Comparison $comparison): bool
    {
        return $comparison->outlooks->hasDates();
    }

    public function isYearly(): bool
    {
        return false;
    }

    public function value(PeerComparison $of, PeerYear $year): string
    {
        return $this->text($of, $year);
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        $outlook = $of->comparison->outlooks->of($of->line);

        return $outlook === null || !$outlook->hasTarget() ? '–' : $outlook->prospect->value;
    }
}
