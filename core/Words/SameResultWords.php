<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\Numerals;
use DuskRail\Outcome\SameResult;
use DuskRail\Outcome\Scattered;

/** Where the first in focus is among those with the same result: `second highest of 13 within ± 3`. */
final class SameResultWords
{
    /** Nothing where it is not asked for, or nobody else has the same result. */
    public static function of(Scattered $scatter): string
    {
        $same = SameResult::of($scatter);
        $place = $same?->place;
        if ($same === null || $place === null) {
            return '';
        }
        $fromBelow = $place->rankFromWorst();
        [$rank, $end] = $place->rank <= $fromBelow ? [$place->rank, 'highest'] : [$fromBelow, 'lowest'];
        $which = $rank === 1 ? $end : Numerals::ordinal($rank) . " {$end}";
        $measure = mb_strtolower($scatter->vertical->measure->name);
        $along = mb_strtolower($scatter->horizontal->measure->name);

        return "{$same->subject->line->name} has the " .
            ($place->equal > 0 ? 'joint ' : '') .
            "{$which} {$measure} of {$place->of} with the same {$along}";
    }
}
