<?php

declare(strict_types=1);

namespace App\Data;

use DuskRail\Refusal;

/** Two edits made at once touch the same thing; the later one is not made. */
final class Clash extends Refusal
{
    /** @param string $between what came first, as a sentence */
    public static function with(string $between): self
    {
        return new self(
            'Your change was not made: ' .
                $between .
                ' It changes the same thing. The current state is shown; repeat your change to replace it.',
        );
    }
}
