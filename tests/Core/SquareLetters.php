<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\TextMeasure;
use DuskRail\Chart\Type;

/** A typeface in which every letter is half as wide as it is high, so that positions can be calculated by hand. */
final class SquareLetters implements TextMeasure
{
    public function width(string $text, Type $type): float
    {
        return (mb_strlen($text) * $type->size) / 2;
    }

    public function narrow(string $text): float
    {
        return $this->width($text, Type::text(13.5));
    }
}
