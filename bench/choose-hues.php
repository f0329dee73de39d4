<?php

declare(strict_types=1);

/**
 * Chooses the five hues that stand beside ember orange, by day and by night: a random search for the set whose nearest
 * two colours are farthest apart, as seen by all and with each kind of colour blindness, each readable as text.
 *
 *     php bench/choose-hues.php day|night [seed]
 */
require __DIR__.'/../vendor/autoload.php';

use DuskRail\Chart\Colour;

[$grounds, $fixed, $lightness] = match ($argv[1] ?? 'day') {
    'night' => [['#1a1424', '#221a2e', '#2b2139'], '#ff9366', [0.62, 0.92]],
    default => [['#fbf7f1', '#fffdf9', '#f4ebe3'], '#bd3e0c', [0.34, 0.60]],
};
mt_srand((int) ($argv[2] ?? 1));

/** OKLCH to sRGB (Björn Ottosson, 2020, “A perceptual color space for image processing”), or null outside the gamut. */
$hex = static function (float $l, float $c, float $h): ?string {
    [$a, $b] = [$c * cos($h), $c * sin($h)];
    [$x, $y, $z] = [($l + 0.3963377774 * $a + 0.2158037573 * $b) ** 3, ($l - 0.1055613458 * $a - 0.0638541728 * $b) ** 3, ($l - 0.0894841775 * $a - 1.2914855480 * $b) ** 3];
    $text = '#';
    foreach ([[4.0767416621, -3.3077115913, 0.2309699292], [-1.2684380046, 2.6097574011, -0.3413193965], [-0.0041960863, -0.7034186147, 1.7076147010]] as $row) {
        $v = $row[0] * $x + $row[1] * $y + $row[2] * $z;
        if ($v < 0 || $v > 1) {
            return null;
        }
        $text .= sprintf('%02x', (int) round(255 * ($v <= 0.0031308 ? 12.92 * $v : 1.055 * $v ** (1 / 2.4) - 0.055)));
    }

    return $text;
};
$readable = static function (string $one) use ($grounds): bool {
    foreach ($grounds as $ground) {
        if (Colour::hex($one)->contrast(Colour::hex($ground)) < 4.5) {
            return false;
        }
    }

    return true;
};
/**
 * How near the nearest two are, where 1 is exactly as far as they must be apart.
 *
 * @param list<string> $set
 */
$margin = static function (array $set): float {
    $least = INF;
    /** @var list<string> $set */
    foreach ($set as $i => $one) {
        /** @var list<string> $others */
        $others = array_slice($set, $i + 1);
        foreach ($others as $two) {
            [$p, $q] = [Colour::hex($one), Colour::hex($two)];
            $least = min($least, $p->difference($q) / 20);
            foreach (['red', 'green', 'blue'] as $kind) {
                $least = min($least, $p->seenWithout($kind)->difference($q->seenWithout($kind)) / 10);
            }
        }
    }

    return $least;
};
$random = static function () use ($hex, $readable, $lightness): string {
    do {
        $one = $hex($lightness[0] + mt_rand() / mt_getrandmax() * ($lightness[1] - $lightness[0]), 0.09 + 0.12 * mt_rand() / mt_getrandmax(), 2 * M_PI * mt_rand() / mt_getrandmax());
    } while ($one === null || ! $readable($one));

    return $one;
};
$best = 0.0;
for ($restart = 0; $restart < 12; $restart++) {
    $set = [$fixed, $random(), $random(), $random(), $random(), $random()];
    $score = $margin($set);
    for ($step = 0; $step < 1500; $step++) {
        $try = $set;
        $try[mt_rand(1, 5)] = $random();
        if (($new = $margin($try)) > $score) {
            [$set, $score] = [$try, $new];
        }
    }
    if ($score > $best) {
        $best = $score;
        printf("%.3f  %s\n", $score, implode(' ', $set));
    }
}
