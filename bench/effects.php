<?php

declare(strict_types=1);

/*
 * How often 95 % intervals of differences in differences hold, on simulated panels without an effect, and beside them
 * those of the wild cluster bootstrap with the null imposed (Cameron, Gelbach and Miller, 2008). Values of a member are
 * alike from period to period, and all share a shock in each.
 *
 *     php bench/effects.php [runs]
 *
 * Prints the table that is in docs/methods.md.
 */

require __DIR__ . '/../vendor/autoload.php';

use DuskRail\Statistics\Cohort;
use DuskRail\Statistics\DifferenceInDifferences;
use DuskRail\Statistics\EventPanel;

$runs = (int) ($argv[1] ?? 1000);
/** Of standard deviation one, by Box and Muller (1958). */
$normal = static function (): float {
    return sqrt(-2 * log((mt_rand() + 1) / (mt_getrandmax() + 2))) * cos((2 * M_PI * mt_rand()) / mt_getrandmax());
};
$bootstrapped = static function (Cohort $cohort): bool {
    $mean = (array_sum($cohort->with) + array_sum($cohort->without)) / (count($cohort->with) + count($cohort->without));
    $turned = static fn(float $v): float => $mean + (mt_rand(0, 1) * 2 - 1) * ($v - $mean);
    $own = abs(DifferenceInDifferences::of([$cohort])->t());
    $asLarge = 0;
    for ($draw = 0; $draw < 199; $draw++) {
        $with = array_map($turned, $cohort->with);
        $without = array_map($turned, $cohort->without);
        $asLarge += abs(DifferenceInDifferences::of([new Cohort($with, $without)])->t()) >= $own ? 1 : 0;
    }

    return ($asLarge + 1) / 200 > 0.05;
};

echo '| with it | without | dates | likeness | spread of those with it | interval holds | half of it | ' .
    "bootstrap holds |\n";
echo "|--:|--:|--:|--:|--:|--:|--:|--:|\n";
/** @var list<array{int, int, int, float, float}> $worlds with, without, dates, likeness, spread */
$worlds = [
    [1, 10, 1, 0.5, 1.0],
    [2, 10, 1, 0.5, 1.0],
    [3, 10, 1, 0.5, 1.0],
    [3, 10, 1, 0.5, 2.0],
    [3, 3, 1, 0.5, 1.0],
    [5, 10, 1, 0.5, 2.0],
    [8, 16, 1, 0.0, 1.0],
    [8, 16, 1, 0.9, 1.0],
    [8, 16, 4, 0.5, 1.0],
    [17, 6, 5, 0.5, 1.0],
    [40, 160, 1, 0.5, 1.0],
];
foreach ($worlds as [$countWith, $countWithout, $dates, $likeness, $spread]) {
    mt_srand(1986);
    $held = $boots = 0;
    $half = 0.0;
    for ($run = 0; $run < $runs; $run++) {
        $shocks = array_map(static fn(): float => 2 * $normal(), range(0, 39));
        $with = $without = $events = [];
        for ($member = 0; $member < $countWith + $countWithout; $member++) {
            $values = [];
            $rest = $normal() / sqrt(1 - $likeness ** 2);
            foreach ($shocks as $shock) {
                $values[] = 20 + $shock + $rest * ($member < $countWith ? $spread : 1.0);
                $rest = $likeness * $rest + $normal();
            }
            if ($member < $countWith) {
                $with["m{$member}"] = $values;
                $events["m{$member}"] = 14 + 3 * ($member % $dates);
            } else {
                $without["m{$member}"] = $values;
            }
        }
        $panel = new EventPanel($with, $events, $without, 1, 0, false);
        $found = $panel->difference($panel->spans(10));
        if ($found === null) {
            continue;
        }
        $held += $found->isBeyondChance() ? 0 : 1;
        $half += $found->reach();
        $boots += $dates === 1 && $countWith > 1 && $bootstrapped($panel->cohorts($panel->spans(10))[0]) ? 1 : 0;
    }
    printf(
        "| %d | %d | %d | %.1f | %.1f | %.1f %% | %.2f | %s |\n",
        $countWith,
        $countWithout,
        $dates,
        $likeness,
        $spread,
        (100 * $held) / $runs,
        $half / $runs,
        $dates === 1 && $countWith > 1 ? sprintf('%.1f %%', (100 * $boots) / $runs) : '–',
    );
}
