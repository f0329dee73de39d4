<?php

declare(strict_types=1);

namespace DuskRail\Time;

use DuskRail\Refusal;

final class UnknownPeriod extends Refusal
{
    public static function inText(string $text): self
    {
        return new self(
            sprintf(
                '“%s” is not a period. Enter a year (2024), half-year (2024-H1), quarter (2024-Q1), month ' .
                    '(2024-03), week (2024-W05) or day (2024-03-31).',
                mb_strimwidth($text, 0, 40, '…'),
            ),
        );
    }

    public static function asPartOfYear(string $text): self
    {
        return new self(
            sprintf(
                '“%s” is not a part of the year. Enter the first and the last month or week, for example Dec–Feb or ' .
                    'W48–W09.',
                mb_strimwidth($text, 0, 40, '…'),
            ),
        );
    }

    public static function outOfBounds(int $value, int $low, int $high, string $what): self
    {
        return new self("There is no {$what} {$value}; it runs from {$low} to {$high}.");
    }

    public static function withoutCalendar(string $period): self
    {
        return new self("{$period} is a number and not in a calendar period.");
    }

    public static function backwards(string $first, string $last): self
    {
        return new self("The range ends ({$last}) before it begins ({$first}).");
    }

    public static function withoutCycle(Cycle $cycle, Frequency $frequency): self
    {
        $adjective = ucfirst($frequency->adjective());

        return new self(
            $cycle === Cycle::Year
                ? "{$adjective} values cannot be overlaid. Use months, weeks or days."
                : "{$adjective} values cannot be overlaid by {$cycle->value}. Overlay years, or use daily " . 'values.',
        );
    }

    public static function startingWithin(Frequency $frequency, string $month): self
    {
        return new self(
            'A year that starts in ' .
                $month .
                " starts within a {$frequency->noun()}. Choose a month in which one begins, or use monthly " .
                'values.',
        );
    }
}
