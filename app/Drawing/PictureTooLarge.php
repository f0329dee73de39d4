<?php

declare(strict_types=1);

namespace App\Drawing;

use DuskRail\Data\Numerals;
use DuskRail\Refusal;

/** A picture of more pixels than can be drawn. */
final class PictureTooLarge extends Refusal
{
    public static function of(float $width, float $height, int $most): self
    {
        return new self(
            sprintf(
                'The image would have %s × %s pixels; at most %s are possible either way. Hand over SVG or PDF, or ' .
                    'draw fewer panels.',
                Numerals::count($width),
                Numerals::count($height),
                Numerals::count($most),
            ),
        );
    }
}
