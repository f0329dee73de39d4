<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/**
 * A step of a scale of colours: of one that rises from pale to strong, or of one with two arms about a middle. Or the
 * hue of a group, which is no step.
 */
final readonly class Tone
{
    public const STEPS = 7;

    /**
     * @param int $step from 1 to STEPS, of two arms the middle one is neither; of groups a hue from 1
     */
    public function __construct(public bool $about, public int $step, public bool $isGroup = false) {}

    public function ink(): string
    {
        return match (true) {
            $this->isGroup => 'focus-',
            $this->about => 'arm-',
            default => 'tone-',
        } . $this->step;
    }
}
