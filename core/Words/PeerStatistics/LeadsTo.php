<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\OutlookWords;
use DuskRail\Words\PeerStatistic;

/** Where the line leads by the date of its target. */
final readonly class LeadsTo implements PeerStatistic
{
    public static function name(): string
    {
        return 'leads-to';
    }

    public static function title(): string
    {
        return 'Leads to';
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
        return $of->comparison->outlooks->of($of->line)?->leads() ?? NAN;
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        $outlook = $of->comparison->outlooks->of($of->line);
        $text = $outlook === null ? '' : OutlookWords::leads($of->comparison, $outlook);

        return $text === '' ? '–' : $text;
    }
}
