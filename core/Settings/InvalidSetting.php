<?php

declare(strict_types=1);

namespace DuskRail\Settings;

use DuskRail\Refusal;

/** A setting that cannot be what was given; the message says whose it is, what was given, and what it can be. */
final class InvalidSetting extends Refusal
{
    /** @param string $whose title of the stop or part that the setting belongs to */
    public static function because(string $whose, string $reason): self
    {
        return new self("{$whose}: {$reason}");
    }
}
