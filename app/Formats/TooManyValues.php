<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
use DuskRail\Refusal;

/** More values than a file to hand over can hold. */
final class TooManyValues extends Refusal
{
    /**
     * @param string $what that holds them: `An Excel workbook`
     * @param string $instead what to do: a sentence
     */
    public static function in(string $what, int $found, int $most, string $instead): self
    {
        return new self(
            sprintf(
                '%s can hold %s values; these are %s. %s',
                $what,
                Numerals::count($most),
                Numerals::count($found),
                $instead,
            ),
        );
    }
}
