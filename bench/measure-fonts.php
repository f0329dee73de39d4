<?php

declare(strict_types=1);

/**
 * Writes resources/fonts/advances.php: how wide the characters of Latin script are in each font, by GD.
 *
 *     php bench/measure-fonts.php
 */

use App\Drawing\ShippedFonts;

require __DIR__ . '/../vendor/autoload.php';

$folder = __DIR__ . '/../resources/fonts';
$characters = array_map(mb_chr(...), [
    ...range(0x20, 0x7e),
    ...range(0xa0, 0x17f),
    0x2013,
    0x2014,
    0x2018,
    0x2019,
    0x201c,
    0x201d,
    0x2020,
    0x2022,
    0x2026,
    0x2030,
    0x2032,
    0x20ac,
    0x2190,
    0x2191,
    0x2192,
    0x2193,
    0x2212,
    0x2260,
    0x2264,
    0x2265,
    0x202f,
    0x2009,
]);
$advances = [];
foreach (glob("{$folder}/*.ttf") ?: [] as $file) {
    foreach ($characters as $character) {
        $advances[basename($file)][$character] = round(ShippedFonts::measured($file, $character), 5);
    }
}
file_put_contents(
    "{$folder}/advances.php",
    "<?php\n\ndeclare(strict_types=1);\n\n// Written by bench/measure-fonts.php.\nreturn " .
        var_export($advances, true) .
        ";\n",
);
