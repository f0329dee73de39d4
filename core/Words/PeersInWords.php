<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Outcome\Comparison;

/** Whom a study compares with, and how many of them have a value: `12 peers like Veldmere, 11 with a value`. */
final class PeersInWords
{
    public static function of(Comparison $comparison): string
    {
        $peers = $comparison->peers;
        // Where lines are compared within their own kind, those of the first in focus are meant.
        $of = $peers->chosen->strata === [] ? null : $comparison->focus()[0] ?? ($comparison->lines[0] ?? null);
        $size = $peers->size($of);
        $there = $comparison->reference < 0 ? 0 : $peers->count($comparison->reference, $of);
        $noun = $size === 1 ? 'peer' : 'peers';

        return "{$size} {$noun}{$peers->chosen->among}" . ($there === $size ? '' : ", {$there} with a value");
    }
}
