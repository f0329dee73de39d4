<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** Where in a scene the lines are: its edges in pixels, and how far apart two periods are. */
final readonly class PlotArea
{
    /**
     * @param int $before places left free before the first position, and after the last, where others have theirs
     */
    public function __construct(
        public float $left,
        public float $right,
        public float $top,
        public float $bottom,
        public int $from,
        public int $to,
        public int $before = 0,
        public int $after = 0,
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
            $this->before,
            $this->after,
        );
    }

    public function step(): float
    {
        $steps = $this->to - $this->from + $this->before + $this->after;

        return $steps > 0 ? ($this->right - $this->left) / $steps : 0.0;
    }

    public function x(int $position): float
    {
        $step = $this->step();

        return $step > 0.0
            ? $this->left + ($position - $this->from + $this->before) * $step
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
