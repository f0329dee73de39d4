<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\InvalidStudy;
use DuskRail\Outcome\Comparison;
use DuskRail\Words\BeforeAfterWords;

/** Those with an event went another way than the others before it already, so the difference may not be its work. */
final class NotParallel implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        if ($comparison->study->view !== 'before-after') {
            return null;
        }
        try {
            $found = $comparison->effects->beforeAfter();
        } catch (InvalidStudy) {
            // The view says itself why it cannot be.
            return null;
        }
        $before = $found->panel->courseBefore($found->spans);
        if ($before === null || !$before->isBeyondChance()) {
            return null;
        }
        // From the middle of the one span to that of the other.
        $apart = $found->spans->length + $found->spans->skip;
        $went = $before->effect() * $apart;

        return Notice::saying(
            'not-parallel',
            'Before the event, ' .
                lcfirst(BeforeAfterWords::with($found)) .
                ' already moved away from the others. Going on like that would have made ' .
                BeforeAfterWords::apart($found, $went) .
                ' of the difference of ' .
                BeforeAfterWords::effect($found) .
                '.',
            'The slopes before differ by ' .
                BeforeAfterWords::apart($found, $before->effect()) .
                " a {$comparison->axis->frequency->noun()}.",
        );
    }
}
