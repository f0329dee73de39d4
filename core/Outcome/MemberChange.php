<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Time\Period;

/** What changed of one member about an event. */
final readonly class MemberChange
{
    /**
     * @param Period|null $date of the event; null for one without it
     * @param float $before mean of the span before, in the unit of the values; NAN for those without it where the event
     *     was at several times
     * @param float $after mean of the span after
     * @param float $change as it is compared; of one without it the mean over the times of the event
     */
    public function __construct(
        public Line $line,
        public ?Period $date,
        public float $before,
        public float $after,
        public float $change,
    ) {}
}
