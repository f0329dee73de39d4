<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\Numerals;
use DuskRail\Peers\RankPosition;

/** A place among others in words. One that others have too is a joint one. */
final class PlaceWords
{
    /** `3rd of 24`, `joint 1st of 8` */
    public static function ordinal(RankPosition $position): string
    {
        return self::joint($position) . Numerals::ordinal($position->rank) . " of {$position->of}";
    }

    /** `place 3 of 24`, `joint place 1 of 8` */
    public static function place(RankPosition $position): string
    {
        return self::joint($position) . "rank {$position->rank} of {$position->of}";
    }

    /** `3 of 24`, `joint 1 of 8`, for tables */
    public static function short(RankPosition $position): string
    {
        return self::joint($position) . "{$position->rank} of {$position->of}";
    }

    private static function joint(RankPosition $position): string
    {
        return $position->equal > 0 ? 'joint ' : '';
    }
}
