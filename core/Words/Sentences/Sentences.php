<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;

/** What could be said of a comparison, the most telling first. */
final class Sentences
{
    private const ALL = [
        ChangeOverTime::class,
        PlaceAmongPeers::class,
        Crossing::class,
        WidestGap::class,
        LongestRun::class,
        RecordAtEnd::class,
        SinceTurn::class,
        TowardsTarget::class,
        BeyondChance::class,
        WhoAccounts::class,
        AfterEvent::class,
    ];

    /** @return list<Claim> */
    public static function of(Comparison $comparison): array
    {
        $claims = [];
        foreach (self::ALL as $class) {
            $claims = [...$claims, ...(new $class())->claims($comparison)];
        }
        usort($claims, static fn(Claim $a, Claim $b): int => $b->weight <=> $a->weight);

        return $claims;
    }
}
