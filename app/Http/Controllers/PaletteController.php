<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use DuskRail\Chart\Palette;
use Illuminate\Http\Response;

/** The palette as custom properties, so that pages and pictures have their colours from one place. */
final class PaletteController
{
    public function show(): Response
    {
        $day = Palette::day()->properties();
        $night = Palette::night()->properties();

        return response(
            ":root{color-scheme:light;{$day}}\n@media " .
                '(prefers-color-scheme: ' .
                "dark){:root:not([data-ground=day]){color-scheme:dark;{$night}}}\n" .
                ":root[data-ground=night]{color-scheme:dark;{$night}}\n",
            200,
            ['Content-Type' => 'text/css', 'Cache-Control' => 'public, max-age=3600'],
        );
    }
}
