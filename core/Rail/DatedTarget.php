<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Time\Period;

/** What is to have been reached by a date. */
final readonly class DatedTarget
{
    /**
     * @param Period $by as it was written
     * @param int $position of the last period by which it is due, of the axis; it may be after its end
     */
    public function __construct(public Period $by, public int $position, public float $value) {}
}
