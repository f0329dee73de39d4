<?php

declare(strict_types=1);

namespace App\View;

/** The sizes that a picture is handed over in, in pixels of the picture before it is enlarged. */
enum PictureSize: string
{
    case Screen = 'screen';
    case Slide = 'slide';
    case Column = 'column';
    case Square = 'square';

    public function label(): string
    {
        return match ($this) {
            self::Screen => 'As on screen',
            self::Slide => 'Slide (16:9)',
            self::Column => 'Half page',
            self::Square => 'Square',
        };
    }

    /** @return array{float, float} width and height */
    public function pixels(SheetSize $screen): array
    {
        return match ($this) {
            // The sheet has a margin, and words above and below the chart.
            self::Screen => [$screen->width + 60.0, $screen->height + 150.0],
            self::Slide => [1280.0, 720.0],
            self::Column => [620.0, 480.0],
            self::Square => [860.0, 860.0],
        };
    }
}
