<?php

declare(strict_types=1);

namespace App\Maintenance;

use DuskRail\Refusal;

/** A backup that cannot be written or brought back; nothing was changed. */
final class BadBackup extends Refusal
{
    public static function because(string $reason): self
    {
        return new self($reason);
    }
}
