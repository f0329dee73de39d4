<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;

/** More than three lines in colour all want attention at once (common practice, no source). */
final class ManyColours implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $count = count($comparison->focus());

        return $count <= 3
            ? null
            : Notice::saying(
                'many-colours',
                "{$count} lines are in colour; readers can follow two or three.",
            )->withRemedy('Clear focus', 'release', []);
    }
}
