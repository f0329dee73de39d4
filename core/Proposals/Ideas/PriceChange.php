<?php

declare(strict_types=1);

namespace DuskRail\Proposals\Ideas;

use DuskRail\Data\Measure;
use DuskRail\Proposals\Arriving;
use DuskRail\Proposals\Idea;
use DuskRail\Proposals\Proposal;
use DuskRail\Rail\Stops\Change;

/** Of a price index one asks how fast prices rise. */
final class PriceChange implements Idea
{
    public static function isPriceIndex(Measure $measure): bool
    {
        return preg_match('/\b(price index|consumer prices|cpi|rpi|hicp|deflator)\b|preisindex/iu', $measure->name) ===
            1;
    }

    public function of(Arriving $at): ?Proposal
    {
        return self::isPriceIndex($at->comparison->measure) && $at->types === []
            ? Proposal::because(
                'it is a price index; its change on a year earlier is the rate of inflation',
                Change::default($at->table, $at->scope),
                $at,
            )
            : null;
    }
}
