<?php

declare(strict_types=1);

namespace DuskRail\Time;

/** What comes round again and again, and can be merged into itself. */
enum Cycle: string
{
    case Year = 'year';
    case Month = 'month';
    case Week = 'week';

    /** Whether values of a frequency have several places in the cycle. */
    public function divides(Frequency $frequency): bool
    {
        return match ($this) {
            self::Year => $frequency !== Frequency::Number && !$frequency->isYearly(),
            self::Month, self::Week => $frequency === Frequency::Day,
        };
    }
}
