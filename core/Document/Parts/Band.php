<?php

declare(strict_types=1);

namespace DuskRail\Document\Parts;

/** What is shaded behind the lines: where the middle of the peers lies. */
enum Band: string
{
    case None = 'none';
    case Quartiles = 'quartiles';
    case Deciles = 'deciles';
    case Range = 'range';

    public function label(): string
    {
        return match ($this) {
            self::None => 'no band',
            self::Quartiles => 'the middle half of the peers',
            self::Deciles => 'the middle eight tenths',
            self::Range => 'lowest to highest peer',
        };
    }

    /** Share of the peers that lies below the band, and as many above it. */
    public function tail(): float
    {
        return match ($this) {
            self::Quartiles => 0.25,
            self::Deciles => 0.1,
            default => 0.0,
        };
    }
}
