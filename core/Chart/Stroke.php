<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** A line in one or more pieces; a piece of a single point is a dot as wide as the line. */
final readonly class Stroke implements Mark
{
    /**
     * @param list<list<float>> $pieces x and y in turn
     * @param list<float> $dash lengths drawn and left out in turn; none for solid
     * @param float $grain of a pixel that coordinates are rounded to
     */
    public function __construct(
        public array $pieces,
        public Ink $ink,
        public float $width,
        public array $dash = [],
        public float $grain = 0.1,
    ) {}

    /**
     * The same stroke along other pieces.
     *
     * @param list<list<float>> $pieces
     */
    public function along(array $pieces): self
    {
        return new self($pieces, $this->ink, $this->width, $this->dash, $this->grain);
    }
}
