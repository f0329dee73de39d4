<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** A step of a scale of colours: of one that rises from pale to strong, or of one with two arms about a middle. */
final readonly class Tone
{
    public const STEPS = 7;

    /** @param int $step from 1 to STEPS; of two arms the middle one is neither */
    public function __construct(public bool $about, public int $step) {}

    public function ink(): string
    {
        return ($this->about ? 'arm-' : 'tone-') . $this->step;
    }
}
