<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\BeforeAfterPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Words\BeforeAfterWords;

/** What changed after an event where it was, beside the others; said where the study has an event. */
final class AfterEvent implements ClaimFinder
{
    public function claims(Comparison $comparison): array
    {
        $part = $comparison->study->part(BeforeAfterPart::class);
        if ($part->event->isNone() && $part->with === '') {
            return [];
        }
        try {
            $found = $comparison->effects->beforeAfter();
        } catch (InvalidStudy) {
            return [];
        }
        // Of sides that were moving apart before nothing is claimed.
        $isSaid = $found->result->isBeyondChance() && !$found->isDrifting();

        return $isSaid
            ? [Claim::of(BeforeAfterWords::claim($found), 0.85, BeforeAfterWords::summary($found))]
            : [];
    }
}
