<?php

declare(strict_types=1);

namespace App\Formats\Out;

use App\Models\Dataset;

/** A way to hand a whole data set on; read back, it gives the same values to the last bit. */
interface DatasetFormat
{
    public static function label(): string;

    public static function ending(): string;

    public static function type(): string;

    public static function write(Dataset $dataset): string;
}
