<?php

declare(strict_types=1);

/** OKLCH to sRGB (Björn Ottosson, 2020, “A perceptual color space for image processing”), or null outside the gamut. */
return static function (float $l, float $c, float $h): ?string {
    [$a, $b] = [$c * cos($h), $c * sin($h)];
    [$x, $y, $z] = [
        ($l + 0.3963377774 * $a + 0.2158037573 * $b) ** 3,
        ($l - 0.1055613458 * $a - 0.0638541728 * $b) ** 3,
        ($l - 0.0894841775 * $a - 1.291485548 * $b) ** 3,
    ];
    $text = '#';
    foreach (
        [
            [4.0767416621, -3.3077115913, 0.2309699292],
            [-1.2684380046, 2.6097574011, -0.3413193965],
            [-0.0041960863, -0.7034186147, 1.707614701],
        ] as $row
    ) {
        $v = $row[0] * $x + $row[1] * $y + $row[2] * $z;
        if ($v < 0 || $v > 1) {
            return null;
        }
        $text .= sprintf('%02x', (int) round(255 * ($v <= 0.0031308 ? 12.92 * $v : 1.055 * $v ** (1 / 2.4) - 0.055)));
    }

    return $text;
};
