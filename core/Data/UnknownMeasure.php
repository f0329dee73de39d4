<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Refusal;

final class UnknownMeasure extends Refusal
{
    public static function named(string $key): self
    {
        return new self("The data set has no measure “{$key}”. Choose another, or add a file with it.");
    }
}
