<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Refusal;

/** A written rail that cannot be read. */
final class InvalidRail extends Refusal
{
    public static function because(string $reason): self
    {
        return new self($reason);
    }

    /** @param string $path of what is wrong within the list of stops */
    public static function at(string $path, string $reason): self
    {
        return new self("{$path}: {$reason}");
    }
}
