<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Which way a table lies. */
enum TableShape: string
{
    case Long = 'long';
    case PeriodsAcross = 'periods-across';
    case EntitiesAcross = 'entities-across';
    case YearsAcross = 'years-across';
    case Events = 'events';
    case Moment = 'moment';
    case Attributes = 'attributes';

    public function label(): string
    {
        return match ($this) {
            self::Long => 'one row per figure',
            self::PeriodsAcross => 'periods across, entities down',
            self::EntitiesAcross => 'entities across, periods down',
            self::YearsAcross => 'years across, months down',
            self::Events => 'one row per thing that happened',
            self::Moment => 'entities at one moment, measures across',
            self::Attributes => 'entities with their attributes',
        };
    }

    /** What the headings of the columns of figures name. */
    public function across(): string
    {
        return match ($this) {
            self::PeriodsAcross, self::YearsAcross => 'period',
            self::EntitiesAcross => 'entity',
            self::Moment => 'measure',
            self::Long, self::Events, self::Attributes => 'figures',
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
