<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** One part of a stack, between its lower and its upper edge. */
final readonly class Layer
{
    /**
     * @param list<float> $lower along the axis, in the unit of the stack
     * @param list<float> $upper
     */
    public function __construct(public Line $line, public array $lower, public array $upper) {}
}
