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

    /** Last position at which it has a value and is drawn; null if there is none. */
    public function last(int $from, int $to): ?int
    {
        for ($i = $to; $i >= $from; $i--) {
            if (!is_nan($this->line->values[$i]) && !is_nan($this->upper[$i])) {
                return $i;
            }
        }

        return null;
    }
}
