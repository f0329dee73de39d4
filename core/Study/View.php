<?php

declare(strict_types=1);

namespace DuskRail\Study;

enum View: string
{
    case Lines = 'lines';
    case Overlay = 'overlay';
    case Stack = 'stack';
    case Sparks = 'sparks';
    case Scatter = 'scatter';
    case Figures = 'figures';

    public function label(): string
    {
        return ucfirst($this->value);
    }

    /** Whether the picture can be split into panels. */
    public function splits(): bool
    {
        return in_array($this, [self::Lines, self::Overlay, self::Stack, self::Scatter], true);
    }
}
