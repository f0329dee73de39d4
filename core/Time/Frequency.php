<?php

declare(strict_types=1);

namespace DuskRail\Time;

/**
 * How long one period lasts. `FiscalYear` is a year over the turn of two, named by both (2005/06). `Number` is a plain
 * ordered number (age, months since opening) that has no calendar.
 */
enum Frequency: string
{
    case Year = 'year';
    case FiscalYear = 'fiscal-year';
    case HalfYear = 'half-year';
    case Quarter = 'quarter';
    case Month = 'month';
    case Week = 'week';
    case Day = 'day';
    case Number = 'number';

    /** Periods in a year where every year has the same number of them, else null. */
    public function perYear(): ?int
    {
        return match ($this) {
            self::Year, self::FiscalYear => 1,
            self::HalfYear => 2,
            self::Quarter => 4,
            self::Month => 12,
            default => null,
        };
    }

    /** How many periods a year has, to the nearest whole one; of plain numbers twelve, as if they were months. */
    public function inAYear(): int
    {
        return match ($this) {
            self::Week => 52,
            self::Day => 365,
            self::Number => 12,
            default => (int) $this->perYear(),
        };
    }

    /** How many periods a year has on average; NAN of plain numbers. */
    public function meanPerYear(): float
    {
        return match ($this) {
            self::Week => 365.2425 / 7,
            self::Day => 365.2425,
            self::Number => NAN,
            default => (float) $this->perYear(),
        };
    }

    /** The window a rolling calculation starts with: a year where seasons matter, a week of days. */
    public function usualWindow(): int
    {
        return match ($this) {
            self::Year, self::FiscalYear, self::Number => 3,
            self::HalfYear => 2,
            self::Quarter => 4,
            self::Month => 12,
            self::Week => 52,
            self::Day => 7,
        };
    }

    public function isFinerThan(self $other): bool
    {
        return $this !== self::Number && $other !== self::Number && $this->fineness() > $other->fineness();
    }

    /** Whether a year is one period, so that nothing is within it. */
    public function isYearly(): bool
    {
        return $this->perYear() === 1;
    }

    /** What one period is called; of a fiscal year too it is a year. */
    public function noun(): string
    {
        return $this === self::FiscalYear ? 'year' : $this->value;
    }

    public function adjective(): string
    {
        return match ($this) {
            self::Year, self::FiscalYear => 'yearly',
            self::HalfYear => 'half-yearly',
            self::Quarter => 'quarterly',
            self::Month => 'monthly',
            self::Week => 'weekly',
            self::Day => 'daily',
            self::Number => 'numbered',
        };
    }

    private function fineness(): int
    {
        return match ($this) {
            self::Year, self::FiscalYear => 1,
            self::HalfYear => 2,
            self::Quarter => 3,
            self::Month => 4,
            self::Week => 5,
            self::Day => 6,
            self::Number => 0,
        };
    }
}
