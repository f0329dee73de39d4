<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** A finished picture in pixels, before it is markup. */
final readonly class Scene
{
    /**
     * @param list<Mark> $marks from back to front
     * @param float $zoom pixels of the page to one of the picture
     * @param array<string, list<Mark>> $shared marks that are drawn once and used in several places, by id
     */
    public function __construct(
        public float $width,
        public float $height,
        public array $marks,
        public ?PlotArea $plot = null,
        public string $title = '',
        public string $description = '',
        public ?Scale $scale = null,
        public array $shared = [],
        public float $zoom = 1.0,
    ) {}

    /** The same, to be shown larger or smaller than it was drawn. */
    public function zoomed(float $zoom): self
    {
        return new self(
            $this->width,
            $this->height,
            $this->marks,
            $this->plot,
            $this->title,
            $this->description,
            $this->scale,
            $this->shared,
            $zoom,
        );
    }
}
