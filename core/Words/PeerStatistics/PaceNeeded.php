<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\OutlookWords;
use DuskRail\Words\PeerStatistic;

/** The pace that the target needs from now on, by its date. */
final readonly class PaceNeeded implements PeerStatistic
{
    public static function name(): string
    {
        return 'pace-needed';
    }

    public static function title(): string
    {
        return 'Pace needed';
    }

    public function applies(Comparison $comparison): bool
    {
        return $comparison->outlooks->hasDates();
    }

    public function isYearly(): bool
    {
        return false;
    }

    public function value(PeerComparison $of, PeerYear $year): float
    {
        return $of->comparison->outlooks->of($of->line)->pacing->needed ?? NAN;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        $outlook = $of->comparison->outlooks->of($of->line);
        $text = $outlook === null ? '' : OutlookWords::pace($of->comparison, $outlook, $outlook->pacing->needed);

        return $text === '' ? '–' : $text;
    }
}
