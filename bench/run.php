<?php

declare(strict_types=1);

/** Measures what has a budget and prints each value beside it. Run by bin/bench. */

use App\Drawing\ShippedFonts;
use App\Drawing\Svg;
use App\Formats\DelimitedFile;
use Bench\BenchData;
use Bench\Processor;
use Bench\Server;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\Scene;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Reader;
use DuskRail\Time\Frequency;
use DuskRail\Views\Views;

require __DIR__ . '/../vendor/autoload.php';

$processor = Processor::now();
$rows = $loops = [];
/** Measures something, and once more where it misses its budget, which another machine's work may have done. */
$row = static function (string $what, string $budget, Closure $measure) use (&$rows, &$loops): void {
    for ($try = 0, $met = false; $try < 2 && !$met; $try++) {
        /** @var array{string, bool} $found */
        $found = $measure();
        [$measured, $met] = $found;
    }
    $rows[] = $met;
    $loops[] = $loop = Processor::loop();
    printf("%-66s %-30s %-22s %-8s %5.1f ms\n", $what, $measured ?? '', $budget, $met ? 'met' : 'NOT MET', $loop);
};
$milliseconds = static function (callable $work, int $times = 7): float {
    $took = [];
    for ($i = 0; $i < $times; $i++) {
        $start = hrtime(true);
        $work();
        $took[] = (hrtime(true) - $start) / 1e6;
    }
    sort($took);

    return $took[intdiv($times, 2)];
};
$within = static fn(float $took, float $budget): array => [sprintf('%.0f ms', $took), $took <= $budget];
printf("%-66s %-30s %-22s %-8s %s\n%s\n", 'Work', 'Measured', 'Budget', '', 'A loop then', str_repeat('-', 138));

// Calculation.
$data = BenchData::memory(8_334, 120, Frequency::Month);
/** @var array<string, array{string, array<string, mixed>}> $calculations */
$calculations = require __DIR__ . '/calculations.php';
// What cannot be done in one pass over the values has a budget of its own.
$slow = [
    'rank' => 300,
    'seasons' => 300,
    'rolling median of 12' => 230,
    'rolling highest of 12' => 80,
    'share of all' => 100,
    'against the peer median' => 100,
    'standardise' => 100,
];
$stops = [];
foreach ($calculations as $name => [$type, $settings]) {
    $stop = StopCatalogue::make($type, $settings);
    $budget = $slow[$name] ?? 60;
    $work = static fn() => Rail::of()->with($stop)->run($data->table('flow'), $data);
    $row("{$name}, 1,000,000 values", "{$budget} ms", static fn(): array => $within($milliseconds($work), $budget));
    $stops[] = $stop;
}
$stops = array_slice($stops, 0, 4);
$rail = array_reduce($stops, static fn(Rail $rail, $stop): Rail => $rail->with($stop), Rail::of());
$work = static fn() => $rail->run($data->table('flow'), $data);
$row(
    'these four stops on one rail, 1,000,000 values',
    '250 ms',
    static fn(): array => $within($milliseconds($work), 250),
);
unset($data);

// Drawing.
$many = BenchData::memory(1_000, 520, Frequency::Week);
$composer = new LinesComposer(new ShippedFonts(__DIR__ . '/../resources/fonts'));
$study = Study::first('Bench', 'flow', $many);
$drawn = static function (callable $draw) use ($milliseconds): array {
    $svg = '';
    $took = $milliseconds(static function () use ($draw, &$svg): void {
        $scene = $draw();
        assert($scene instanceof Scene);
        $svg = Svg::forScreen($scene, []);
    }, 3);

    return [sprintf('%.0f ms, %.2f MB', $took, strlen($svg) / 1e6), $took <= 700 && strlen($svg) <= 1.5e6];
};
$draw = static fn() => $composer->compose(Lineup::of(Comparison::of($study, $many)), 956, 404);
$row('1,000 series × 520 weeks drawn', '700 ms, 1.5 MB', static fn(): array => $drawn($draw));
unset($many, $draw);

// The other views, with many lines.
$letters = new ShippedFonts(__DIR__ . '/../resources/fonts');
foreach (
    [
        ['200 panels of 120 months', 200, 'lines', 'entity'],
        ['200 panels of years over each other', 200, 'overlay', 'entity'],
        ['1,000 rows of sparks', 1_000, 'sparks', 'none'],
        ['a stack of 200', 200, 'stack', 'none'],
        ['a scatter of 1,000', 1_000, 'scatter', 'none'],
    ] as [$name, $count, $view, $by]
) {
    $some = BenchData::memory($count, 120, Frequency::Month);
    $seen = Study::first('Bench', 'flow', $some)->withView($view)->withPart(PanelsPart::from(['by' => $by]));
    $draw = static fn() => Views::of($seen)->picture(Comparison::of($seen, $some), $letters, 956, 404);
    $row($name, '700 ms, 1.5 MB', static fn(): array => $drawn($draw));
}
unset($some, $draw);

// Import, and edits through the real server.
$server = Server::start();
foreach (
    [
        ['a long CSV of 1,000,080 rows', BenchData::csv("{$server->folder}/million.csv", 8_334, 120), 2.5],
        [
            'a CSV of 500,040 rows with two measures',
            BenchData::csv("{$server->folder}/two.csv", 4_167, 120, two: true),
            3.5,
        ],
        ['a workbook of 100,080 rows', BenchData::workbook("{$server->folder}/large.xlsx", 834, 120), 10.0],
    ] as [$name, $file, $budget]
) {
    $row("import of {$name}", "{$budget} s, 250 MB", static function () use ($server, $file, $budget): array {
        ['seconds' => $seconds, 'megabytes' => $megabytes] = $server->import($file);

        return [sprintf('%.1f s, %.0f MB', $seconds, $megabytes), $seconds <= $budget && $megabytes <= 250];
    });
}
foreach (
    [
        ['24 × 118', [24, 118], [], 60, 30, 15],
        ['200 × 120', [200, 120], [], 90, 60, 80],
        ['2,000 × 500 with three stops', [2_000, 500], ['against'], 600, INF, 400],
    ] as [$name, $size, $more, $slowest, $used, $sent]
) {
    $row(
        "edit of {$name}: p50, p95, processor; answer",
        "{$slowest}" . ($used === INF ? '' : ", {$used}") . " ms; {$sent} kB",
        static function () use ($server, $size, $more, $slowest, $used, $sent): array {
            $edits = $server->edits(BenchData::csv("{$server->folder}/edits.csv", ...$size), 100, $more);

            return [
                sprintf('%.0f, %.0f, %.0f ms; %.1f kB', ...array_values($edits)),
                $edits['p95'] <= $slowest && $edits['processor'] <= $used && $edits['kilobytes'] <= $sent,
            ];
        },
    );
}
$row('first page with 200 studies: p50, p95', '120 ms', static function () use ($server): array {
    [$usual, $slow] = $server->firstPage(200, 100);

    return [sprintf('%.0f, %.0f ms', $usual, $slow), $slow <= 120];
});

// A picture, and briefs of six pictures each.
$row('first view of a study, without fonts', '60 kB', static function () use ($server): array {
    $view = $server->firstView();

    return [sprintf('%.1f kB', $view), $view <= 60];
});
$server->demo();
$row('a slide as PNG, 1,280 and 2,560 pixels wide', '150, 350 ms', static function () use ($server): array {
    $png = $server->png();

    return [sprintf('%.0f, %.0f ms', ...$png), $png[0] <= 150 && $png[1] <= 350];
});
$row('24 briefs of six pictures as PDF', '60 s', static function () use ($server): array {
    $seconds = $server->briefs();

    return [sprintf('%.1f s', $seconds), $seconds <= 60];
});
$server->stop();

// Reading.
$text = "Utility,Zone,Month,Measure,Unit,Value\n";
for ($i = 0; strlen($text) < 5_000_000; $i++) {
    $text .= sprintf(
        "Utility %d,%s,%d-%02d,Leakage,Ml,%.2f\n",
        intdiv($i, 432),
        ['Upper', 'Lower', 'All'][intdiv($i, 144) % 3],
        2014 + intdiv($i % 144, 12),
        1 + ($i % 12),
        (($i * 7919) % 1000) / 7,
    );
}
$path = (string) tempnam(sys_get_temp_dir(), 'dusk-rail-');
file_put_contents($path, $text);
$work = static function () use ($path): void {
    [$sample] = DelimitedFile::open($path)->sample('five-megabytes.csv', 20_000);
    $plan = Detection::of($sample)->plan;
    Reader::read($sample->rows, $plan);
    Detection::alternatives($sample, $plan);
};
$row(
    'a file of 5 MB understood and its beginning read',
    '300 ms',
    static fn(): array => $within($milliseconds($work), 300),
);
unlink($path);
/** @var array{int, int} $score */
$score = require __DIR__ . '/corpus.php';
[$right, $tried] = $score;
$enough = $tried > 0 && $right >= 0.95 * $tried;
$row('open tables read right at first guess', '95 %', static fn(): array => ["{$right} of {$tried}", $enough]);

// Styles and scripts.
$bytes = 0;
foreach (glob(__DIR__ . '/../public/build/assets/app-*.js') ?: [] as $script) {
    $bytes += strlen((string) gzencode((string) file_get_contents($script), 9));
}
$row('own JavaScript, gzipped', '25 kB', static fn(): array => [sprintf('%.1f kB', $bytes / 1e3), $bytes <= 25_000]);

$styles = 0;
foreach (glob(__DIR__ . '/../public/build/assets/app-*.css') ?: [] as $sheet) {
    $styles += (int) filesize($sheet);
}
$row('styles', '100 kB', static fn(): array => [sprintf('%.0f kB', $styles / 1e3), $styles <= 100_000]);

printf(
    "The loop took %.1f to %.1f ms, and other machines took %.0f %% of the processor time that was wanted.\n",
    min([INF, ...$loops]),
    max([0.0, ...$loops]),
    100 * $processor->stolenSince(),
);

exit(in_array(false, $rows, true) ? 1 : 0);
