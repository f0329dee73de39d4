<?php

declare(strict_types=1);

/** Beside the scripted way of doing the same, on the same file, one after the other: bin/bench --scripted. */

use App\Drawing\ShippedFonts;
use App\Drawing\Svg;
use Bench\BenchData;
use DuskRail\Chart\LinesComposer;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Time\Frequency;
use Illuminate\Filesystem\Filesystem;
use Symfony\Component\Process\Process;

require __DIR__ . '/../vendor/autoload.php';

$folder = sys_get_temp_dir() . '/dusk-rail-scripted-' . getmypid();
mkdir($folder);
touch("{$folder}/bench.sqlite");
$root = dirname(__DIR__);
$environment = ['DB_DATABASE' => "{$folder}/bench.sqlite", 'APP_CONFIG_CACHE' => "{$folder}/config.php"];
$run = static function (string ...$command) use ($root, $environment): string {
    return (new Process(array_values($command), $root, $environment, null, 600))->mustRun()->getOutput();
};
$scripted = static fn(string ...$arguments): string => $run('/usr/bin/python3', 'bench/scripted.py', ...$arguments);
/** @var array<string, float> $theirs */
$theirs = json_decode($scripted('calculations'), true, 8, JSON_THROW_ON_ERROR);

$least = static function (callable $work, int $times = 5): float {
    $took = [];
    for ($i = 0; $i < $times; $i++) {
        $start = hrtime(true);
        $work();
        $took[] = (hrtime(true) - $start) / 1e6;
    }

    return min([INF, ...$took]);
};
$row = static function (string $what, float $ours, float $others, string $unit): void {
    printf(
        "%-60s %9.*f %s %9.*f %s  %5.1f\n",
        $what,
        ...[$unit === 's' ? 2 : 0, $ours, $unit, $unit === 's' ? 2 : 0, $others, $unit, $others / $ours],
    );
};

$run('php', 'artisan', 'migrate', '--force', '--quiet');
// Settings are read once, as for a server; compiled code is kept from one process to the next, as Python keeps its own.
$run('php', 'artisan', 'config:cache', '--quiet');
$kept = ['memory_limit=1G', 'opcache.enable_cli=1', "opcache.file_cache={$folder}", 'opcache.file_cache_only=1'];
$php = ['php', ...array_merge(...array_map(static fn(string $one): array => ['-d', $one], $kept))];
$letters = new ShippedFonts(__DIR__ . '/../resources/fonts');
printf("%-60s %11s %11s  %s\n", 'Work', 'Dusk Rail', 'scripted', 'times as fast');
// Each as processes of its own, from start to end.
foreach (['500 lines of 120 months' => [500, 120], '8,334 lines of 120 months' => [8_334, 120]] as $name => $size) {
    $file = BenchData::csv("{$folder}/rows.csv", ...$size);
    $import = $least(static fn() => $run(...$php, ...['bench/import.php', $file]), 2) / 1e3;
    $draw = $least(static fn() => $run(...$php, ...['bench/draw.php']), 3) / 1e3;
    $whole = $least(static fn() => $scripted('file', $file, "{$folder}/rows.pickle"), 2) / 1e3;
    $stored = $least(static fn() => $scripted('stored', "{$folder}/rows.pickle"), 3) / 1e3;
    $row("{$name}, from the file to the picture", $import + $draw, $whole, 's');
    $row("{$name}, from stored data to the picture", $draw, $stored, 's');
}
$data = BenchData::memory(8_334, 120, Frequency::Month);
/** @var array<string, array{string, array<string, mixed>}> $calculations */
$calculations = require __DIR__ . '/calculations.php';
foreach ($calculations as $name => [$type, $settings]) {
    $stop = StopCatalogue::make($type, $settings);
    $took = $least(static fn() => Rail::of()->with($stop)->run($data->table('flow'), $data));
    $row("{$name}, 1,000,000 values", $took, $theirs[$name] ?? NAN, 'ms');
}
// How time grows: by the exponent of a line through four sizes, both on logarithmic scales.
foreach (
    [
        'entities' => [[500, 120], [1_000, 120], [2_000, 120], [4_000, 120]],
        'periods' => [[1_000, 60], [1_000, 120], [1_000, 240], [1_000, 480]],
    ] as $of => $sizes
) {
    $points = [];
    foreach ($sizes as [$series, $periods]) {
        $some = BenchData::memory($series, $periods, Frequency::Month);
        $study = Study::first('Bench', 'flow', $some)->withRail(
            Rail::of()->with(StopCatalogue::make('rolling', ['window' => 12])),
        );
        $compose = static fn() => Svg::forScreen(
            (new LinesComposer($letters))->compose(Lineup::of(Comparison::of($study, $some)), 956, 404),
            [],
        );
        $points[] = [$of === 'entities' ? $series : $periods, $least($compose, 3)];
    }
    $x = array_map(static fn(array $p): float => log($p[0]), $points);
    $y = array_map(static fn(array $p): float => log($p[1]), $points);
    [$mx, $my] = [array_sum($x) / 4, array_sum($y) / 4];
    $xy = array_sum(array_map(static fn(float $a, float $b): float => ($a - $mx) * ($b - $my), $x, $y));
    $xx = array_sum(array_map(static fn(float $a): float => ($a - $mx) ** 2, $x));
    printf(
        "A picture by %s: %s; exponent %.2f\n",
        $of,
        implode(', ', array_map(static fn(array $p): string => sprintf('%d %.0f ms', ...$p), $points)),
        $xy / $xx,
    );
}
$some = BenchData::memory(1_000, 120, Frequency::Month);
$rail = Rail::of();
$times = [];
for ($n = 1; $n <= 4; $n++) {
    $rail = $rail->with(StopCatalogue::make('rolling', ['window' => 2 + $n]));
    $times[] = sprintf('%d %.0f ms', $n, $least(static fn() => $rail->run($some->table('flow'), $some)));
}
echo 'A rail by stops: ', implode(', ', $times), "\n";
(new Filesystem())->deleteDirectory($folder);
