<?php

declare(strict_types=1);

namespace App\Data;

use DuskRail\Refusal;

/** The user has called an import off; nothing was stored. */
final class ImportCancelled extends Refusal
{
    public static function byUser(): self
    {
        return new self('The import was cancelled. Nothing was stored.');
    }
}
