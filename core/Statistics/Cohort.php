<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Changes about one event: of the members that had it then, and of those without it over the same spans. */
final readonly class Cohort
{
    /**
     * @param non-empty-array<array-key, float> $with by member; none is NAN
     * @param non-empty-array<array-key, float> $without likewise
     */
    public function __construct(public array $with, public array $without) {}

    /** Mean change of those without it. */
    public function elsewhere(): float
    {
        return array_sum($this->without) / count($this->without);
    }
}
