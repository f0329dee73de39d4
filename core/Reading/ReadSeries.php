<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** One entity's values of one measure as found in a file, in order of time, gaps as NAN. */
final readonly class ReadSeries
{
    /**
     * @param int $first ordinal of the first period
     * @param list<float> $values
     * @param list<int> $statuses Status values
     * @param list<int> $places row × 16384 + column of the cell, both from 0; -1 where there is none
     * @param int $combination of categories, where values are broken down; 0 for none
     */
    public function __construct(
        public int $measure,
        public int $entity,
        public int $first,
        public array $values,
        public array $statuses,
        public array $places,
        public int $combination = 0,
    ) {}

    /** The same in another unit. */
    public function times(float $factor): self
    {
        $values = array_map(static fn(float $value): float => $value * $factor, $this->values);

        return $factor === 1.0
            ? $this
            : new self(
                $this->measure,
                $this->entity,
                $this->first,
                $values,
                $this->statuses,
                $this->places,
                $this->combination,
            );
    }
}
