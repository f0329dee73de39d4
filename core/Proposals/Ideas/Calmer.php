<?php

declare(strict_types=1);

namespace DuskRail\Proposals\Ideas;

use DuskRail\Data\Numerals;
use DuskRail\Proposals\Arriving;
use DuskRail\Proposals\Idea;
use DuskRail\Proposals\Proposal;
use DuskRail\Rail\Stops\Rolling;
use DuskRail\Time\Frequency;

/** Values that swing within each year, or days within each week, are seen more clearly as a mean over it. */
final class Calmer implements Idea
{
    private const LEAST = 0.08;

    public function of(Arriving $at): ?Proposal
    {
        $frequency = $at->table->axis->frequency;
        $length =
            $frequency === Frequency::Day ? 7 : $frequency->perYear() ?? ($frequency === Frequency::Week ? 52 : 1);
        if ($length < 4 || !$at->table->nature->hasZero() || $at->has('rolling', 'seasonal', 'running-total')) {
            return null;
        }
        $swing = $at->swing($length);
        $cycle = $frequency === Frequency::Day ? 'week' : 'year';

        return $swing >= self::LEAST
            ? Proposal::because(
                'it swings by ' . Numerals::count(100 * $swing) . " % within each {$cycle}",
                new Rolling(window: $length),
                $at,
            )
            : null;
    }
}
