<?php

declare(strict_types=1);

namespace App\Data;

use DuskRail\Refusal;

/** A correction that cannot be taken back, since its figure no longer stands. */
final class NotInForce extends Refusal
{
    public static function replacedBy(string $value): self
    {
        return new self(
            "The correction is no longer in force: a later version has replaced it, and the figure is {$value} now. " .
                'Correct that figure instead.',
        );
    }

    public static function unknown(): self
    {
        return new self('The correction is of a measure or an entity that is no longer there.');
    }
}
