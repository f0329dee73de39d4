<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\PeerYear;

/**
 * One statistic of the peer comparison: a column of its table, of its history and of the files that are handed over.
 *
 * To add one: write a class in PeerStatistics, and name it in the catalogue of that name.
 */
interface PeerStatistic
{
    /** Its name in files for programs: lower case, hyphens. */
    public static function name(): string;

    /** Its heading. */
    public static function title(): string;

    /** Whether it says anything of a comparison, as a gap to the target where there is one. */
    public function applies(Comparison $comparison): bool;

    /** Whether it is told for each year, and not for the reference period alone. */
    public function isYearly(): bool;

    /** In full precision, or in words; NAN where there is none. */
    public function value(PeerComparison $of, PeerYear $year): float|string;

    /** As a table shows it. */
    public function text(PeerComparison $of, PeerYear $year): string;
}
