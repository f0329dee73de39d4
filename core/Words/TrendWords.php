<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Outcome\Comparison;

/** What change, growth, latest values and places are of, in words: said once beside a table of them. */
final class TrendWords
{
    /** What change and growth go from and to. */
    public static function compared(Comparison $comparison): string
    {
        $season = $comparison->season();
        $count = $comparison->reference - $comparison->from + 1;
        $noun = ($comparison->isSinceEvent() ? $comparison->run->origin : $comparison)->axis->frequency->noun();

        return match (true) {
            $season === 1 => 'from the first value to the last',
            $count >= 2 * $season => "from the mean of the first {$season} {$noun}s to that of the last {$season}",
            $count > $season => "from a {$noun} to the same one of the last year",
            default => 'from the first value to the last, including seasonal effects',
        };
    }

    /** What is under a table of courses. */
    public static function underTable(Comparison $comparison): string
    {
        $latest = match (true) {
            $comparison->reference < $comparison->from => 'No complete period is shown',
            $comparison->hasOneNow() => 'Latest and rank: ' . $comparison->axis->period(
                $comparison->reference,
            )->label(),
            default => 'Latest and rank: last value of each line',
        };

        return "{$latest}. Change and growth per year: " . self::compared($comparison) . '.';
    }
}
