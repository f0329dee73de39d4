<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** How a series is carried on. */
enum ProjectionMethod: string
{
    case Straight = 'straight';
    case Damped = 'damped';
    case Naive = 'naive';

    public function label(): string
    {
        return match ($this) {
            self::Straight => 'straight on',
            self::Damped => 'damped trend',
            self::Naive => 'seasonal naive with drift',
        };
    }
}
