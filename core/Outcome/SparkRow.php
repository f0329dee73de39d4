<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** A row of the Sparks view: a line, and what there is to say of it in values. */
final readonly class SparkRow
{
    /** @param int|null $rank among those present, from the best */
    public function __construct(public Line $line, public ?int $rank, public TrendSummary $course) {}
}
