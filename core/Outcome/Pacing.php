<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Time\Frequency;
use DuskRail\Time\Period;

/** How fast a line goes, and how fast it would have to. */
final readonly class Pacing
{
    /**
     * @param Frequency $frequency of the periods that a pace is for
     * @param int $periods how many of these there are from the latest value to the date of the target; 0 without
     * @param float $needed by how much it must go up in each of them; NAN without a date to come
     * @param float $pace by how much it goes up in one since its last turn or the period that was chosen; NAN where
     *     that cannot be told
     * @param Period|null $since that turn or period; null for all that is shown
     */
    public function __construct(
        public Frequency $frequency,
        public int $periods,
        public float $needed,
        public float $pace,
        public ?Period $since,
    ) {}
}
