<?php

declare(strict_types=1);

namespace DuskRail\Words\PeerStatistics;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Outlook;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;
use DuskRail\Words\PeerStatistic;

/** What is told of the way of a line to its target, where there is a date for any. */
abstract readonly class OfOutlook implements PeerStatistic
{
    public function applies(Comparison $comparison): bool
    {
        return $comparison->outlooks->hasDates();
    }

    public function isYearly(): bool
    {
        return false;
    }

    public function value(PeerComparison $of, PeerYear $year): float|string
    {
        $outlook = $of->comparison->outlooks->of($of->line);

        return $outlook === null ? NAN : $this->known($outlook);
    }

    public function text(PeerComparison $of, PeerYear $year): string
    {
        $outlook = $of->comparison->outlooks->of($of->line);
        $text = $outlook === null ? '' : $this->told($of->comparison, $outlook);

        return $text === '' ? '–' : $text;
    }

    /** In full precision, or in words; NAN where there is none. */
    abstract protected function known(Outlook $outlook): float|string;

    /** As a table shows it; nothing where there is none. */
    abstract protected function told(Comparison $comparison, Outlook $outlook): string;
}
