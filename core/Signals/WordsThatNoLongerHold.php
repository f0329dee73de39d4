<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;
use DuskRail\Words\LiveNumber;

/** Words whose numbers follow the data, and whose direction the data no longer bear out. */
final class WordsThatNoLongerHold implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $words = "{$comparison->study->words->headline} {$comparison->study->words->subtitle}";
        $faults = LiveNumber::faults($words, $comparison);

        return $faults === []
            ? null
            : Notice::saying(
                'words-' . hash('crc32b', implode($faults)),
                $faults[0],
                implode(' ', array_slice($faults, 1)),
            );
    }
}
