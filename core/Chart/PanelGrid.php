<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** How panels are in rows; lengths in pixels. */
final readonly class PanelGrid
{
    /**
     * @param int<1, max> $columns
     * @param float $room for the words of a vertical axis
     * @param bool $every whether every panel has an axis of its own, or only the first of a row
     * @param float $inner width of the plot of a panel
     * @param float $height of the plot of a panel
     * @param array{float, float}|null $common lowest and highest value of all; null where each has its own scale
     * @param float|null $half half the span that all scales have, where they share it
     * @param bool $othersBehind whether every other line is drawn faintly behind
     */
    public function __construct(
        public float $width,
        public int $columns,
        public float $gap,
        public float $room,
        public bool $every,
        public float $inner,
        public float $height,
        public ?array $common,
        public ?float $half,
        public bool $othersBehind,
    ) {}

    /** Left edge of the plot of a panel. */
    public function left(int $column): float
    {
        return $this->every
            ? $column * ($this->inner + $this->room + $this->gap) + $this->room
            : $this->room + $column * ($this->inner + $this->gap);
    }
}
