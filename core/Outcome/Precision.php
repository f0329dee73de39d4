<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** With how many decimals the values of a comparison are written. */
final readonly class Precision
{
    /**
     * @param int $decimals of labels, headlines and lists
     * @param int $carried decimals that the values have where they are as the file has them; of calculated ones as many
     *     as are asked for
     */
    public function __construct(public int $decimals, public int $carried = PHP_INT_MAX) {}

    /** For whoever looks at single values: one decimal more than in labels, but none that the values do not carry. */
    public function fine(): int
    {
        return min($this->decimals + 1, $this->carried);
    }
}
