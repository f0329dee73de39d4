<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Unit;
use DuskRail\Document\Parts\PeersPart;

/** The lines of a comparison by their rank in each period: among all that take part, or those of the peer set. */
final class Ranks
{
    public static function of(Comparison $comparison): Lineup
    {
        $lines = [];
        foreach ($comparison->lines as $line) {
            $ranks = [];
            foreach (array_keys($line->values) as $at) {
                $ranks[] = $comparison->peers->rank($line, $at);
            }
            $lines[] = $line->valued($ranks, $comparison->from, $comparison->to);
        }

        return new Lineup(
            $comparison,
            $comparison->axis,
            Unit::rank(),
            $lines,
            $comparison->from,
            $comparison->to,
            // A median, a band and a target are of values, and mean nothing among ranks.
            new PeerSummary(new PeersPart()),
            0,
            $comparison->run->table()->open(),
        );
    }
}
