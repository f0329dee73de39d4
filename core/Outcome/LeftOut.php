<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** Why a measure cannot be a line beside the others. */
final readonly class LeftOut
{
    /** @param bool $isOfOtherUnit whether it has another unit, which an index or a change in % would mend */
    public function __construct(public string $reason, public bool $isOfOtherUnit = false) {}
}
