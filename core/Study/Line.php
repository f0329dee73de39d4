<?php

declare(strict_types=1);

namespace DuskRail\Study;

/** One line of a comparison, along the whole axis of the data. */
final readonly class Line
{
    /**
     * @param int $hue 1–6 for a line in focus, else 0
     * @param list<float> $values
     * @param int|null $last position of its last value within the periods shown
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $group,
        public LineState $state,
        public int $hue,
        public array $values,
        public ?int $last,
    ) {}

    public function latest(): float
    {
        return $this->last === null ? NAN : $this->values[$this->last];
    }
}
