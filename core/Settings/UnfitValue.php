<?php

declare(strict_types=1);

namespace DuskRail\Settings;

use DuskRail\Refusal;

/** A value that a kind of setting does not take; the declaration adds whose setting it is. */
final class UnfitValue extends Refusal
{
    public static function because(string $reason): self
    {
        return new self($reason);
    }
}
