<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** A finished picture in pixels, before it is markup. */
final readonly class Scene
{
    /**
     * @param list<Mark> $marks from back to front
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
    ) {}
}
