<?php

declare(strict_types=1);

namespace DuskRail\Proposals\Ideas;

use DuskRail\Data\Nature;
use DuskRail\Data\Numerals;
use DuskRail\Data\ValueType;
use DuskRail\Proposals\Arriving;
use DuskRail\Proposals\Idea;
use DuskRail\Proposals\Proposal;
use DuskRail\Rail\Stops\IndexToBase;

/** Lines of different levels are set to 100 where their change is what counts. */
final class ChangeNotLevel implements Idea
{
    /** Lines that differ less than this show their change as they are. */
    private const LEAST = 1.6;

    private const FEWEST_PERIODS = 4;

    public function of(Arriving $at): ?Proposal
    {
        $spread = $at->spread();
        $shown = $at->comparison->to - $at->comparison->from + 1;
        if (
            is_nan($spread) ||
            $spread < self::LEAST ||
            $shown < self::FEWEST_PERIODS ||
            !$at->table->allowsPercent() ||
            $at->table->unit->sort === ValueType::Index ||
            $at->table->nature === Nature::Total ||
            $at->has('index', 'change', 'share', 'against', 'standardise')
        ) {
            return null;
        }
        $changes = [];
        foreach ($at->values as $values) {
            $known = array_values(array_filter($values, is_finite(...)));
            $changes[] = $known === [] || $known[0] <= 0.0 ? NAN : abs(end($known) / $known[0] - 1.0);
        }
        $change = Numerals::count(100 * Arriving::median($changes));
        $times = Numerals::text($spread, $spread < 10.0 ? 1 : 0);

        return Proposal::because(
            "levels differ {$times}-fold, so changes of about {$change} % are hard to compare",
            IndexToBase::default($at->table, $at->scope),
            $at,
        );
    }
}
