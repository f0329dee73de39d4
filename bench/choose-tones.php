<?php

declare(strict_types=1);

/**
 * The two scales of colours for whole lines: one from pale to strong, one with two arms about a middle that is
 * nearly grey.
 * Lightness goes in equal steps, between the palest that is readable as text and the strongest.
 *
 *     php bench/choose-tones.php day|night
 */
require __DIR__ . '/../vendor/autoload.php';

/** @var callable(float, float, float): ?string $hex */
$hex = require __DIR__ . '/oklch.php';
$night = ($argv[1] ?? 'day') === 'night';
[$pale, $strong] = $night ? [0.655, 0.94] : [0.525, 0.25];

/** The colour of a lightness and an angle in degrees, as strong as asked or as the screen can show. */
$colour = static function (float $lightness, float $chroma, float $angle) use ($hex): string {
    for (; ; $chroma -= 0.002) {
        $found = $hex($lightness, max(0.0, $chroma), deg2rad($angle));
        if ($found !== null) {
            return $found;
        }
    }
};
for ($step = 0; $step < 7; $step++) {
    $lightness = $pale + (($strong - $pale) * $step) / 6;
    // From amber over rose to plum.
    echo "'tone-" . ($step + 1) . "' => '", $colour($lightness, $night ? 0.11 : 0.13, 70.0 - 22.0 * $step), "', ";
}
echo "\n";
for ($step = -3; $step <= 3; $step++) {
    $lightness = $pale + (($strong - $pale) * (abs($step) * 0.9)) / 3;
    echo "'arm-" . ($step + 4) . "' => '",
    $colour($lightness, 0.015 + 0.045 * abs($step), $step < 0 ? 225.0 : 40.0),
    "', ";
}
echo "\n";
