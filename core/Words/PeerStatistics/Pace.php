<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\OutlookWords;
use DuskRail\Words\PeerStatistic;

/** The pace since the last turn, or since the period that was chosen. */
final readonly class Pace implements PeerStatistic
{
    public static function name(): string
    {
        return 'pace';
    }

    public static function title(): string
    {
        return 'Pace';
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
        return $of->comparison->outlooks->of($of->line)->pacing->pace ?? NAN;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        $outlook = $of->comparison->outlooks->of($of->line);
        $text = $outlook === null ? '' : OutlookWords::pace($of->comparison, $outlook, $outlook->pacing->pace);

        return $text === '' ? '–' : $text;
    }
}
