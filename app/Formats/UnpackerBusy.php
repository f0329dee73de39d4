<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Refusal;

/** Another large file is being read; this one has to wait. */
final class UnpackerBusy extends Refusal
{
    public static function now(): self
    {
        return new self('Another large file is being read. Upload this one again in a minute.');
    }
}
