<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use Closure;

/** Marks that belong to one line or one part of the chart, so that they can be lit up or dragged together. */
final readonly class Group implements Mark
{
    /**
     * @param string $role what the group is: `series`, `end-label`, `axis`, `base` …
     * @param list<Mark> $marks
     * @param bool $clipped whether it is cut off at the edges of the plot
     * @param array<string, string> $facts what the pointer needs to know of it, by name
     * @param (Closure(): array{list<float>, list<float|null>})|null $points where the pointer reads it, as Points has
     *     them; calculated when they are asked for
     */
    public function __construct(
        public string $role,
        public array $marks,
        public array $facts = [],
        public bool $clipped = false,
        public ?Closure $points = null,
    ) {}

    /** The same, cut off at the edges of the plot. */
    public function inPlot(): self
    {
        return new self($this->role, $this->marks, $this->facts, true, $this->points);
    }

    /** @param Closure(): array{list<float>, list<float|null>} $points */
    public function readAt(Closure $points): self
    {
        return new self($this->role, $this->marks, $this->facts, $this->clipped, $points);
    }
}
