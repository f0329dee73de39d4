<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** A part of a broken line, as the fit holds it. */
final readonly class FittedTerm
{
    /**
     * @param float $place from the middle of the values
     * @param list<float> $along its part along each base of the fit, up to its own
     * @param float $height of the values along its own base
     */
    public function __construct(
        public TermSort $sort,
        public float $place,
        public array $along,
        public float $height,
    ) {}
}
