<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** A filled shape between an upper and a lower line. */
final readonly class Area implements Mark
{
    /** @param list<list<float>> $pieces closed outlines, x and y in turn */
    public function __construct(public array $pieces, public Ink $ink, public float $opacity) {}
}
