<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Which way a table lies. */
enum Shape: string
{
    case Long = 'long';
    case PeriodsAcross = 'periods-across';
    case EntitiesAcross = 'entities-across';
    case YearsAcross = 'years-across';
    case Attributes = 'attributes';

    public function label(): string
    {
        return match ($this) {
            self::Long => 'one row per figure',
            self::PeriodsAcross => 'periods across, entities down',
            self::EntitiesAcross => 'entities across, periods down',
            self::YearsAcross => 'years across, months down',
            self::Attributes => 'entities with their attributes',
        };
    }

    /** The shape that a wide table has if it lies the other way, or null. */
    public function swapped(): ?self
    {
        return match ($this) {
            self::PeriodsAcross => self::EntitiesAcross,
            self::EntitiesAcross => self::PeriodsAcross,
            default => null,
        };
    }
}
