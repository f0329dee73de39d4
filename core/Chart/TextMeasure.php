<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** Knows how wide text comes out in the fonts that are shipped. */
interface TextMeasure
{
    /** Width in pixels. */
    public function width(string $text, Type $type): float;
}
