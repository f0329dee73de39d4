<?php

declare(strict_types=1);

namespace DuskRail\Proposals\Ideas;

use DuskRail\Document\Parts\BreakdownsPart;
use DuskRail\Proposals\Arriving;
use DuskRail\Proposals\Idea;
use DuskRail\Proposals\Proposal;
use DuskRail\Rail\Stops\Share;

/** Categories that add up are the parts of a total. */
final class Parts implements Idea
{
    public function of(Arriving $at): ?Proposal
    {
        $study = $at->comparison->study;
        $isStack = $study->view === 'stack';
        if (!$at->table->nature->addsUp() || $at->types !== [] || count($at->levels()) < 2) {
            return null;
        }
        if (!$isStack && !self::hasCategoriesAsLines($at)) {
            return null;
        }

        return Proposal::because('the lines are the parts of one total', Share::default($at->table, $at->scope), $at);
    }

    private static function hasCategoriesAsLines(Arriving $at): bool
    {
        $shown = $at->comparison->study->part(BreakdownsPart::class);
        $split = $at->comparison->wholeData()->splitBy($at->comparison->measure->key);

        return array_filter($split, static fn(string $key): bool => $shown->of($key)->show === 'lines') !== [];
    }
}
