<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\Whole;
use DuskRail\Refusal;
use DuskRail\Words\ContributionClaims;
use DuskRail\Words\ContributionWords;

/** Who accounts for most of a change: said where a few do, or where all of it is mix. */
final class WhoAccounts implements ClaimFinder
{
    /** To say that some of fewer account for a change says nothing. */
    private const FEWEST = 5;

    public function claims(Comparison $comparison): array
    {
        try {
            $contributed = Contributed::of($comparison);
        } catch (Refusal) {
            return [];
        }
        // A mean of which nothing says how much each counts is no whole to claim anything of.
        // That somebody came in or left is no rise or fall of theirs.
        $isSaid =
            $contributed->whole !== Whole::Mean &&
            count($contributed->members) >= self::FEWEST &&
            $contributed->hasShares &&
            !$contributed->hasComeOrGone(ContributionClaims::HALF);
        $sentence = $isSaid ? ContributionClaims::claim($contributed) : null;

        return $sentence === null
            ? []
            : [
                Claim::of(
                    "{$comparison->measure->name}: {$sentence}, " . ContributionWords::span($contributed),
                    0.5,
                    ContributionWords::summary($contributed),
                ),
            ];
    }
}
