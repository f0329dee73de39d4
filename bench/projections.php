<?php

declare(strict_types=1);

/*
 * How often 95 % prediction intervals hold, on simulated series that are carried on by a quarter of what is known: for
 * the first period, the middle and the last one, and for the mean of all of them.
 *
 *     php bench/projections.php [runs]
 *
 * Prints the table that is in docs/methods.md.
 */

require __DIR__ . '/../vendor/autoload.php';

use DuskRail\Statistics\Projections;
use DuskRail\Statistics\Turns;

$runs = (int) ($argv[1] ?? 400);
/** Of standard deviation one, by Box and Muller (1958). */
$normal = static function (): float {
    return sqrt(-2 * log((mt_rand() + 1) / (mt_getrandmax() + 2))) * cos((2 * M_PI * mt_rand()) / mt_getrandmax());
};

echo "| values | likeness | what is in them | first | middle | last | mean | half the last interval |\n";
echo "|---|--:|---|--:|--:|--:|--:|--:|\n";
/** @var list<array{int, int, float, string}> $worlds values, in a year, likeness, what */
$worlds = [
    [20, 1, 0.0, 'a trend'],
    [20, 1, 0.5, 'a trend'],
    [40, 1, 0.8, 'a trend'],
    [40, 1, 0.5, 'a bend'],
    [120, 1, 0.5, 'a bend'],
    [40, 1, 0.5, 'a random walk'],
    [40, 4, 0.3, 'a trend'],
    [40, 4, 0.3, 'a step'],
    [60, 12, 0.3, 'a trend'],
    [60, 12, 0.7, 'a trend'],
    [120, 12, 0.7, 'a trend'],
    [120, 12, 0.3, 'a bend'],
    [60, 12, 0.3, 'a random walk'],
    [120, 12, 0.3, 'a random walk'],
];
$names = [1 => 'years', 4 => 'quarters', 12 => 'months'];
foreach ($worlds as [$count, $season, $likeness, $what]) {
    mt_srand(1);
    $ahead = intdiv($count, 4);
    $held = [0, 0, 0, 0];
    $reach = 0.0;
    for ($run = 0; $run < $runs; $run++) {
        $noise = $normal();
        $walk = 0.0;
        $place = (int) ($count * (0.4 + (0.35 * mt_rand()) / mt_getrandmax()));
        $all = [];
        for ($i = 0; $i < $count + $ahead; $i++) {
            $walk += 0.3 * $normal();
            $course = match ($what) {
                'a bend' => 0.05 * $i - 0.2 * max(0, $i - $place),
                'a random walk' => $walk + 0.02 * $i,
                'a step' => $i >= $place ? 4.0 : 0.0,
                default => 0.05 * $i,
            };
            $all[] = 100.0 + $course + $noise + ($season > 1 ? 3.0 * sin((2 * M_PI * $i) / $season) : 0.0);
            $noise = $likeness * $noise + sqrt(1 - $likeness ** 2) * $normal();
        }
        $known = array_slice($all, 0, $count);
        $chosen = (new Projections($known, $season))->ahead(Turns::in($known, $season)->turns, $ahead)?->chosen;
        assert($chosen !== null);
        foreach ([0, intdiv($ahead, 2), $ahead - 1] as $n => $h) {
            $off = abs($all[$count + $h] - $chosen->values[$h]);
            $held[$n] += $off <= $chosen->reach([$h => 1.0]) ? 1 : 0;
        }
        $off = abs(array_sum(array_slice($all, $count)) - array_sum($chosen->values));
        $held[3] += $off <= $chosen->reach(array_fill(0, $ahead, 1.0)) ? 1 : 0;
        $reach += $chosen->reach([$ahead - 1 => 1.0]);
    }
    $shares = array_map(static fn(int $of): string => sprintf('%.1f %%', (100 * $of) / $runs), $held);
    $of = "{$count} {$names[$season]}";
    echo "| {$of} | {$likeness} | {$what} | " . implode(' | ', $shares) . sprintf(" | %.1f |\n", $reach / $runs);
}
