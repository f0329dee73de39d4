<?php

declare(strict_types=1);

namespace App\Data;

use DuskRail\Refusal;

/** Something was written on top of a state that is no longer the latest. */
final class ChangedMeanwhile extends Refusal
{
    public static function study(string $name): self
    {
        return new self("“{$name}” was changed in the meantime. Reload it and repeat the change.");
    }

    public static function dataset(string $name): self
    {
        return new self("“{$name}” has a newer version. Reload it and repeat the change.");
    }
}
