<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** What one member adds to the change of a whole. */
final readonly class Contribution
{
    /**
     * @param array{float, float} $before what it puts into the whole at the beginning: the amount above the line, and
     *     that below it, 1 in a sum; NAN where it is not there
     * @param array{float, float} $after the same at the end
     * @param float $change in the unit of the whole
     * @param array<value-of<ContributionTerm>, float> $terms that add up to the change
     */
    public function __construct(
        public string $key,
        public array $before,
        public array $after,
        public float $change,
        public array $terms,
    ) {}

    public function term(ContributionTerm $term): float
    {
        return $this->terms[$term->value] ?? 0.0;
    }

    /** Its own value at the beginning, or its own rate; NAN where it is not there. */
    public function first(): float
    {
        return fdiv(...$this->before);
    }

    /** The same at the end. */
    public function last(): float
    {
        return fdiv(...$this->after);
    }
}
