<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

/** What is shaded behind the lines: where the middle of the peers is. */
enum Band: string
{
    case None = 'none';
    case Quartiles = 'quartiles';
    case Deciles = 'deciles';
    case Range = 'range';
    case Chance = 'chance';

    public function label(): string
    {
        return match ($this) {
            self::None => 'None',
            self::Quartiles => 'Quartiles (middle 50 %)',
            self::Deciles => 'Deciles (middle 80 %)',
            self::Range => 'Lowest to highest',
            self::Chance => 'Chance limits (95 and 99.8 %)',
        };
    }

    /** Share of the peers that is below the band, and as many above it. */
    public function tail(): float
    {
        return match ($this) {
            self::Quartiles => 0.25,
            self::Deciles => 0.1,
            default => 0.0,
        };
    }
}
