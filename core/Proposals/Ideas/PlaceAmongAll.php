<?php

declare(strict_types=1);

namespace DuskRail\Proposals\Ideas;

use DuskRail\Data\Better;
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
        $ranks = self::ranks($at, $focus->key);
        [$first, $last] = [$ranks[0] ?? 0, end($ranks)];

        return abs($first - $last) >= self::LEAST_MOVE
            ? Proposal::because(
                "{$focus->name} moved from rank {$first} to {$last} of {$count}",
                Rank::default($at->table, $at->scope),
                $at,
            )
            : null;
    }

    /** @return list<int> in each period in which nearly all lines have a value, the line among them */
    private static function ranks(Arriving $at, string $key): array
    {
        $lowestFirst = $at->comparison->better() === Better::Lower;
        $ranks = [];
        foreach ($at->values[$key] ?? [] as $i => $own) {
            $all = array_filter(array_map(static fn(array $v): float => $v[$i] ?? NAN, $at->values), is_finite(...));
            if (is_finite($own) && count($all) >= self::NEARLY_ALL * count($at->values)) {
                $before = static fn(float $v): bool => $lowestFirst ? $v < $own : $v > $own;
                $ranks[] = 1 + count(array_filter($all, $before));
            }
        }

        return $ranks;
    }
}
