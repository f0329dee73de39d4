<?php

declare(strict_types=1);

namespace DuskRail\Time;

use DomainException;

final class UnknownPeriod extends DomainException
{
    public static function inText(string $text): self
    {
        return new self(sprintf(
            '“%s” is not a period. Write a year (2024), half-year (2024-H1), quarter (2024-Q1), month (2024-03), week (2024-W05) or day (2024-03-31).',
            mb_strimwidth($text, 0, 40, '…'),
        ));
    }

    public static function outOfBounds(int $value, int $low, int $high, string $what): self
    {
        return new self("There is no {$what} {$value}; it runs from {$low} to {$high}.");
    }

    public static function withoutCalendar(Period $period): self
    {
        return new self("{$period->label()} is a plain number and lies in no calendar period.");
    }

    public static function backwards(Period $first, Period $last): self
    {
        return new self("The range ends ({$last->label()}) before it begins ({$first->label()}).");
    }
}
