<?php

declare(strict_types=1);

namespace DuskRail\Rail;

/** What a stop is for; the list of stops is ordered by it. */
enum StopCategory
{
    case Compare;
    case Smooth;
    case Change;
    case Place;
    case Calculate;

    public function label(): string
    {
        return match ($this) {
            self::Compare => 'Make comparable',
            self::Smooth => 'Smooth and aggregate',
            self::Change => 'Show change',
            self::Place => 'Compare with others',
            self::Calculate => 'Calculate',
        };
    }
}
