<?php

declare(strict_types=1);

namespace DuskRail\Proposals\Ideas;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Proposals\Arriving;
use DuskRail\Proposals\Idea;
use DuskRail\Proposals\Proposal;
use DuskRail\Rail\Stops\Rank;

/** Where ranks change a lot, they tell more than levels. */
final class PlaceAmongAll implements Idea
{
    private const FEWEST_LINES = 6;

    private const LEAST_MOVE = 2;

    private const NEARLY_ALL = 0.8;

    /** Amounts that differ as much as this rank by the size of the entities. */
    private const SIZES = 2.5;

    /** Among levels that differ less, a rank hangs on little. */
    private const ALIKE = 1.05;

    public function of(Arriving $at): ?Proposal
    {
        $focus = $at->focus();
        $count = count($at->values);
        if (
            $focus === null ||
            $count < self::FEWEST_LINES ||
            $at->has('rank', 'standardise') ||
            $at->table->nature->isRelative()
        ) {
            return null;
        }
        $spread = $at->spread();
        $isBySize = $at->table->nature->isDivisible() && $spread >= self::SIZES;
        if ($isBySize || $spread < self::ALIKE) {
            return null;
        }
        $ends = self::ends($at->comparison, $focus);
        if ($ends === null || abs($ends[0] - $ends[2]) < self::LEAST_MOVE) {
            return null;
        }
        [$then, $ofThen, $now, $of] = $ends;

        return Proposal::because(
            "{$focus->name} moved from rank {$then}" . ($ofThen === $of ? '' : " of {$ofThen}") .
                " to {$now} of {$of}{$at->comparison->peers->named($focus)}",
            Rank::default($at->table, $at->scope),
            $at,
        );
    }

    /**
     * Its rank and among how many in the first period shown in which nearly as many have a value as in the reference
     * period, and the same of that.
     *
     * @return array{int, int, int, int}|null
     */
    private static function ends(Comparison $comparison, Line $line): ?array
    {
        $now = $comparison->peers->rankOf($line, $line->current);
        for ($i = $comparison->from; $now !== null && $i < $line->current; $i++) {
            $then = $comparison->peers->rankOf($line, $i);
            if ($then !== null && $then->of >= self::NEARLY_ALL * $now->of) {
                return [$then->rank, $then->of, $now->rank, $now->of];
            }
        }

        return null;
    }
}
