<?php

declare(strict_types=1);

namespace DuskRail\Study;

enum View: string
{
    case Lines = 'lines';
    case Figures = 'figures';

    public function label(): string
    {
        return ucfirst($this->value);
    }
}
