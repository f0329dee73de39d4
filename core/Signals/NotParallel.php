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
        if (!$found->isDrifting()) {
            return null;
        }

        return Notice::saying(
            'not-parallel',
            'Before the event, ' .
                BeforeAfterWords::whoHadIt($found) .
                ' already moved away from the others. Going on like that would have made ' .
                BeforeAfterWords::apart($found, $found->drift()) .
                ' of the difference of ' .
                BeforeAfterWords::effect($found) .
                '.',
        );
    }
}
