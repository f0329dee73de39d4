<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** What a column of a table is. */
enum Role: string
{
    case Entity = 'entity';
    case About = 'about';
    case Group = 'group';
    case Breakdown = 'breakdown';
    case Period = 'period';
    case Month = 'month';
    case Day = 'day';
    case Measure = 'measure';
    case Qualifier = 'qualifier';
    case Unit = 'unit';
    case Multiplier = 'multiplier';
    case Status = 'status';
    case Figures = 'figures';
    case Out = 'out';

    public function label(): string
    {
        return match ($this) {
            self::About => 'about the entity',
            self::Group => 'group',
            self::Month => 'part of the year',
            self::Day => 'day',
            self::Qualifier => 'part of the measure',
            self::Multiplier => 'power of ten',
            self::Out => 'exclude',
            self::Figures => 'values',
            default => $this->value,
        };
    }

    /** Whether several columns can be it. */
    public function isShared(): bool
    {
        return in_array($this, [self::About, self::Breakdown, self::Qualifier, self::Figures, self::Out], true);
    }
}
