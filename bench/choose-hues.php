<?php

declare(strict_types=1);

/**
 * Chooses the five hues that are beside ember orange, by day and by night: a random search for the set whose nearest
 * two colours are farthest apart, as seen by all and with each kind of colour blindness, each readable as text.
 *
 *     php bench/choose-hues.php day|night [seed]
 */
require __DIR__ . '/../vendor/autoload.php';

use DuskRail\Chart\Colour;

[$grounds, $fixed, $lightness] = match ($argv[1] ?? 'day') {
    'night' => [['#1a1424', '#221a2e', '#2b2139'], '#ff9366', [0.62, 0.92]],
    default => [['#fbf7f1', '#fffdf9', '#f4ebe3'], '#bd3e0c', [0.34, 0.6]],
};
mt_srand((int) ($argv[2] ?? 1));

/** @var callable(float, float, float): ?string $hex */
$hex = require __DIR__ . '/oklch.php';
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
        $one = $hex(
            $lightness[0] + (mt_rand() / mt_getrandmax()) * ($lightness[1] - $lightness[0]),
            0.09 + (0.12 * mt_rand()) / mt_getrandmax(),
            (2 * M_PI * mt_rand()) / mt_getrandmax(),
        );
    } while ($one === null || !$readable($one));

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
