<?php

declare(strict_types=1);

/*
 * How often turns err: simulated series without a turn, of which at most 7 % may have one, and series with turns, of
 * which most should be found, the place within its interval in at least nine of ten.
 *
 *     php bench/turns.php [runs]
 *
 * Prints the table that is in docs/methods.md.
 */

require __DIR__ . '/../vendor/autoload.php';

use DuskRail\Statistics\SharedCourse;
use DuskRail\Statistics\Turns;

$runs = (int) ($argv[1] ?? 1000);
/** Of standard deviation one, by Box and Muller (1958). */
$normal = static function (): float {
    return sqrt(-2 * log((mt_rand() + 1) / (mt_getrandmax() + 2))) * cos((2 * M_PI * mt_rand()) / mt_getrandmax());
};
/**
 * A course in first-order noise of standard deviation one, with a season and gaps if so wanted.
 *
 * @param callable(int): float $course
 * @return list<float>
 */
$world = static function (int $count, int $season, float $likeness, float $gaps, callable $course) use (
    $normal,
): array {
    $values = [];
    $noise = $normal();
    for ($i = 0; $i < $count; $i++) {
        $swing = $season > 1 ? 3.0 * sin((2 * M_PI * $i) / $season) : 0.0;
        $own = $course($i);
        assert(is_float($own));
        $values[] = mt_rand() / mt_getrandmax() < $gaps ? NAN : 100.0 + $noise + $swing + $own;
        $noise = $likeness * $noise + sqrt(1 - $likeness ** 2) * $normal();
    }

    return $values;
};

echo '| values | likeness | what is in them | have a turn | the right number | within the 95 % interval | ' .
    "its median width |\n";
echo "|---|--:|---|--:|--:|--:|--:|\n";
$none = static fn(int $i): float => 0.0;
/** @var list<array{int, int, float, float, string, float}> $worlds values, in a year, likeness, gaps, what, its size */
$worlds = [
    [12, 1, 0.0, 0.0, 'nothing', 0.0],
    [12, 1, 0.8, 0.0, 'nothing', 0.0],
    [20, 1, 0.5, 0.0, 'nothing', 0.0],
    [20, 1, 0.8, 0.0, 'nothing', 0.0],
    [30, 1, 0.0, 0.0, 'nothing', 0.0],
    [30, 1, 0.8, 0.1, 'nothing', 0.0],
    [36, 12, 0.5, 0.0, 'nothing', 0.0],
    [60, 12, 0.5, 0.1, 'nothing', 0.0],
    [60, 1, 0.8, 0.0, 'nothing', 0.0],
    [120, 1, 0.0, 0.0, 'nothing', 0.0],
    [120, 12, 0.5, 0.0, 'nothing', 0.0],
    [120, 12, 0.8, 0.0, 'nothing', 0.0],
    [60, 12, 0.0, 0.0, 'good and bad years', 1.0],
    [120, 12, 0.0, 0.0, 'good and bad years', 1.0],
    [120, 12, 0.3, 0.0, 'a shock that all shared', 15.0],
    [30, 1, 0.0, 0.0, 'a bend', 0.5],
    [120, 12, 0.0, 0.0, 'a bend', 0.5],
    [120, 12, 0.5, 0.0, 'a bend', 1.5],
    [120, 12, 0.0, 0.1, 'a bend after three quarters', 1.2],
    [120, 12, 0.3, 0.0, 'a shock that all shared, and a bend', 2.4],
    [30, 1, 0.0, 0.0, 'a step', 4.0],
    [120, 12, 0.5, 0.0, 'a step', 3.0],
    [120, 12, 0.0, 0.0, 'two bends', 1.2],
    [120, 1, 0.0, 0.0, 'up a step and down again', 3.0],
];
foreach ($worlds as [$count, $season, $likeness, $gaps, $what, $size]) {
    mt_srand(2026);
    $middle = intdiv($count, 2);
    $thirds = [intdiv($count, 3), intdiv(2 * $count, 3)];
    $a = $size / $season;
    $shock = static fn(int $i): float => $i >= intdiv($count, 3) ? 15.0 : 0.0;
    $shared = str_contains($what, 'shared') ? $shock : $none;
    $late = intdiv(3 * $count, 4);
    [$from, $to] = $thirds;
    $at = match ($what) {
        'a bend', 'a shock that all shared, and a bend', 'a step' => [$middle],
        'a bend after three quarters' => [$late],
        'two bends', 'up a step and down again' => $thirds,
        default => [],
    };
    $course = match ($what) {
        'a bend', 'a shock that all shared, and a bend' => static fn(int $i): float => $a * max(0, $i - $middle),
        'a bend after three quarters' => static fn(int $i): float => $a * max(0, $i - $late),
        'a step' => static fn(int $i): float => $i >= $middle ? $size : 0.0,
        'two bends' => static fn(int $i): float => $a * (max(0, $i - $from) - 2 * max(0, $i - $to)),
        'up a step and down again' => static fn(int $i): float => $i >= $from && $i < $to ? $size : 0.0,
        default => $none,
    };
    $ofYears = $what === 'good and bad years' ? $size : 0.0;
    $any = $right = $within = $asked = 0;
    $widths = [];
    for ($run = 0; $run < $runs; $run++) {
        $others = [];
        for ($k = 0; $shared !== $none && $k < 12; $k++) {
            $others[] = $world($count, $season, $likeness, $gaps, $shared);
        }
        $values = $world($count, $season, $likeness, $gaps, static fn(int $i): float => $shared($i) + $course($i));
        $year = 0.0;
        foreach ($values as $i => $value) {
            // What all months of a year share, as large as what each has of its own.
            $year = $ofYears > 0.0 && $i % 12 === 0 ? $ofYears * $normal() : $year;
            $values[$i] = $value + $year;
        }
        $turns = Turns::in($values, $season, $others === [] ? null : SharedCourse::of($others, $season));
        $any += $turns->turns === [] ? 0 : 1;
        if (count($turns->turns) !== count($at)) {
            continue;
        }
        $right++;
        foreach ($at as $k => $place) {
            [$low, $high] = $turns->interval($k);
            $asked++;
            $within += $low <= $place && $place <= $high ? 1 : 0;
            $widths[] = $high - $low;
        }
    }
    sort($widths);
    $sized = !in_array($what, ['nothing', 'good and bad years', 'a shock that all shared'], true);
    printf(
        "| %s%s | %.1f | %s%s | %.1f %% | %s | %s | %s |\n",
        $season > 1 ? "{$count} months" : "{$count} years",
        $gaps > 0.0 ? sprintf(', %.0f %% missing', 100 * $gaps) : '',
        $likeness,
        $what,
        $sized ? " of {$size}" . (str_contains($what, 'bend') ? ' a year' : '') : '',
        (100 * $any) / $runs,
        $at === [] ? '' : sprintf('%.0f %%', (100 * $right) / $runs),
        $asked === 0 ? '' : sprintf('%.0f %%', (100 * $within) / $asked),
        $asked === 0 ? '' : (string) $widths[intdiv(count($widths), 2)],
    );
}
