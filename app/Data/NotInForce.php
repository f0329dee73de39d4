<?php

declare(strict_types=1);

namespace App\Data;

use DuskRail\Refusal;

/** A correction that cannot be taken back, since its value no longer is. */
final class NotInForce extends Refusal
{
    public static function replacedBy(string $value): self
    {
        return new self(
            "A later version has replaced this correction; the value is now {$value}. Correct that value " . 'instead.',
        );
    }

    public static function unknown(): self
    {
        return new self('The measure or entity of this correction no longer exists.');
    }
}
