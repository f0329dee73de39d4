<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** Where in a scene the lines are: its edges in pixels, and how far apart two periods are. */
final readonly class PlotArea
{
    public function __construct(
        public float $left,
        public float $right,
        public float $top,
        public float $bottom,
        public int $from,
        public int $to,
    ) {}

    public function enlarged(float $zoom): self
    {
        return new self(
            $this->left * $zoom,
            $this->right * $zoom,
            $this->top * $zoom,
            $this->bottom * $zoom,
            $this->from,
            $this->to,
        );
    }

    public function step(): float
    {
        return $this->to > $this->from ? ($this->right - $this->left) / ($this->to - $this->from) : 0.0;
    }

    public function x(int $position): float
    {
        return $this->to > $this->from
            ? $this->left + ($position - $this->from) * $this->step()
            : ($this->left + $this->right) / 2;
    }

    /** @return list<float> x of all positions shown */
    public function places(): array
    {
        $places = [];
        for ($i = $this->from; $i <= $this->to; $i++) {
            $places[] = $this->x($i);
        }

        return $places;
    }
}
