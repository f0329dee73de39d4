<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Refusal;

/** A way to read a table that leaves something open. */
final class UnreadablePlan extends Refusal
{
    public static function because(string $reason): self
    {
        return new self($reason);
    }
}
