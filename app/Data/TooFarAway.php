<?php

declare(strict_types=1);

namespace App\Data;

use DuskRail\Refusal;
use DuskRail\Time\Period;

/** A period that is so far from all values that it is more likely mistyped. */
final class TooFarAway extends Refusal
{
    public static function from(Period $period, Period $first, Period $last, string $measure): self
    {
        return new self(
            "{$period->label()} is far outside the values of {$measure} ({$first->label()} to " .
                "{$last->label()}). Check the year.",
        );
    }
}
