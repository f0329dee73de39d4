<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** Whether a member of a whole has its value in a period, and if not, why. */
enum Presence
{
    /** Before its first value. */
    case NotBegun;

    case There;

    /** Between two values of its own. */
    case Missing;

    /** After its last value, while it still goes on: the value has not come in yet. */
    case Late;

    /** After its last value, more than a year before the latest of the others. */
    case Ended;

    /** True if it is part of the whole in that period, with a value or without. */
    public function belongs(): bool
    {
        return $this === self::There || $this->isLacking();
    }

    /** True if the whole lacks its value. */
    public function isLacking(): bool
    {
        return $this === self::Missing || $this === self::Late;
    }
}
