<?php

declare(strict_types=1);

namespace DuskRail\Data;

/**
 * What values are, at any place on the rail. What may be done to them follows from it, and never from the values that
 * happen to be there.
 */
enum Nature: string
{
    case Amount = 'amount';
    case Quotient = 'quotient';
    case Daily = 'amount per day';
    case Window = 'rolling values';
    case Total = 'running total';
    case Interval = 'degrees on a scale without a true zero';
    case Difference = 'difference';
    case Growth = 'rate of change';
    case Index = 'index';
    case Share = 'share';
    case Place = 'place';
    case Percentile = 'percentile';
    case Score = 'score';
    case Factor = 'ratio';

    public static function ofMeasure(MeasureKind $kind, Unit $unit): self
    {
        return match (true) {
            $unit->isInterval() => self::Interval,
            $kind === MeasureKind::Rate => self::Quotient,
            default => self::Amount,
        };
    }

    /** Whether twice the number is twice as much, so that a per cent, an index or a rate of growth means something. */
    public function hasZero(): bool
    {
        return match ($this) {
            self::Amount,
            self::Quotient,
            self::Daily,
            self::Window,
            self::Total,
            self::Index,
            self::Share,
            self::Factor
                => true,
            default => false,
        };
    }

    /** Whether those of several entities make a whole together. */
    public function addsUp(): bool
    {
        return match ($this) {
            self::Amount, self::Daily, self::Window, self::Total, self::Share => true,
            default => false,
        };
    }

    /** Whether it can be divided by a measure: an amount of something, and no ratio yet. */
    public function isDivisible(): bool
    {
        return $this !== self::Share && $this->addsUp();
    }

    /** Whether it says where an entity is among others rather than how much there is. */
    public function isRelative(): bool
    {
        return match ($this) {
            self::Place, self::Percentile, self::Score => true,
            default => false,
        };
    }

    /** Whether it is a place among others, by number or by percentile. */
    public function isPlace(): bool
    {
        return $this === self::Place || $this === self::Percentile;
    }

    /** `differences`, as in “the input contains differences”. */
    public function plural(): string
    {
        return match ($this) {
            self::Quotient => 'ratios',
            self::Place => 'ranks',
            self::Daily => 'amounts per day',
            self::Window => 'rolling values',
            self::Interval => 'degrees of a scale without a true zero',
            self::Growth => 'rates of change',
            self::Index => 'index values',
            default => "{$this->value}s",
        };
    }
}
