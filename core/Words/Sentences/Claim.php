<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

/** A sentence that the data carry, with the values. */
final readonly class Claim
{
    /**
     * @param string $sentence as it would be in a headline; numbers that follow new values in braces
     * @param float $weight how telling it is, 0 to 1
     * @param string $working the data it rests on
     */
    private function __construct(public string $sentence, public float $weight, public string $working) {}

    public static function of(string $sentence, float $weight, string $working): self
    {
        return new self($sentence, max(0.0, min(1.0, $weight)), $working);
    }
}
