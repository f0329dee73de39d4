<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** One line's values, one for each period of the axis it is on; a missing value is NAN. */
final readonly class Series
{
    /** @param list<float> $values */
    public function __construct(public string $key, public array $values) {}

    /** Position of the last value that is there, or null. */
    public function lastPosition(int $from = 0, int $to = PHP_INT_MAX): ?int
    {
        for ($i = min($to, count($this->values) - 1); $i >= $from; $i--) {
            if (!is_nan($this->values[$i])) {
                return $i;
            }
        }

        return null;
    }
}
