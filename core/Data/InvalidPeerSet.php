<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Refusal;

/** A peer set that cannot be: the sentence says what is missing or wrong. */
final class InvalidPeerSet extends Refusal
{
    public static function because(string $sentence): self
    {
        return new self($sentence);
    }
}
