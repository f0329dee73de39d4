<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Where a quantile is among sorted values, numbered as in Hyndman and Fan (1996); the median is the same in all. */
enum QuantileType: string
{
    case Six = 'type-6';
    case Seven = 'type-7';
    case Eight = 'type-8';

    /**
     * Position among values from the lowest, which is 0; a fraction is between two.
     *
     * @param float $share 0 to 1
     */
    public function place(int $count, float $share): float
    {
        $place = match ($this) {
            self::Six => ($count + 1) * $share - 1,
            self::Seven => ($count - 1) * $share,
            self::Eight => ($count + 1 / 3) * $share - 2 / 3,
        };

        return max(0.0, min($count - 1.0, $place));
    }
}
