<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Statistics\Trend;

/** A row of the Sparks view: a line, and what there is to say of it in figures. */
final readonly class SparkRow
{
    /**
     * @param float $change from the first to the last value shown; NAN where there is none
     * @param int|null $rank among those present, from the best
     */
    public function __construct(public Line $line, public float $change, public ?int $rank, public Trend $trend) {}
}
