<?php

declare(strict_types=1);

/**
 * Measures what has a budget and prints each value beside it. Times are judged as ratios to a yardstick of the same
 * minute and machine: passes of plain PHP over a million values, or empty requests of the same server. Run by
 * bin/bench.
 */

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
use DuskRail\Reading\Detection;
use DuskRail\Reading\Reader;
use DuskRail\Time\Frequency;
use DuskRail\Views\Views;
use Symfony\Component\Process\Process;

require __DIR__ . '/../vendor/autoload.php';

$processor = Processor::now();
$rows = [];
/**
 * Measures something beside a yardstick of the same minute, and once more where it is over its budget.
 *
 * @param string $budget the ratio and the limits that are no times, as the row says them
 * @param Closure(): array{string, float, bool} $measure what was measured in words, its ratio to the yardstick, and
 *     whether what is no time (bytes, shares) is within its limits
 */
$row = static function (string $what, string $budget, float $most, Closure $measure) use (&$rows): void {
    /** @var array{string, float, bool} $found */
    $found = $measure();
    [$measured, $ratio, $within] = $found;
    if (!$within || $ratio > $most) {
        /** @var array{string, float, bool} $found */
        $found = $measure();
        [$measured, $ratio, $within] = $found;
    }
    $rows[] = $met = $within && $ratio <= $most;
    $ratio = $most === INF ? '' : sprintf('%.1f', $ratio);
    printf("%-66s %-34s %7s  %-30s %s\n", $what, $measured, $ratio, $budget, $met ? 'met' : 'OVER');
};
/** A row in passes of plain PHP over a million values. */
$inPasses = static fn(string $what, float $most, Closure $measure, string $limits = '') => $row(
    $what,
    "{$most} passes{$limits}",
    $most,
    static function () use ($measure): array {
        $pass = Processor::pass();
        /** @var array{float, string, bool} $found */
        $found = $measure();
        [$took, $measured, $within] = $found;
        // The machine may have become faster or slower meanwhile.
        $pass = ($pass + Processor::pass()) / 2;

        return [$measured, $took / $pass, $within];
    },
);
printf("%-66s %-34s %7s  %s\n%s\n", 'Work', 'Measured', 'Ratio', 'Budget', str_repeat('-', 148));

// Calculation, as it is served and compiled: what is judged is the first.
$calculated = static function (bool $compiled, string ...$name): array {
    $options = ['memory_limit=2G', 'opcache.enable_cli=1', 'opcache.jit_buffer_size=128M'];
    $options[] = 'opcache.jit=' . ($compiled ? '1054' : 'disable');
    $php = ['php', ...array_merge(...array_map(static fn(string $one): array => ['-d', $one], $options))];
    $process = new Process([...$php, 'bench/calculate.php', ...$name], dirname(__DIR__), null, null, 600);
    /** @var array<string, array{float, float}> $measured */
    $measured = json_decode($process->mustRun()->getOutput(), true, 8, JSON_THROW_ON_ERROR);

    return $measured;
};
$once = $calculated(false);
$compiled = $calculated(true);
// What cannot be done in one pass over the values has a budget of its own.
$budgets = [
    'per denominator' => 4,
    'rolling mean of 12' => 4,
    'change on a year ago' => 4,
    'against the peer median' => 5,
    'share of all' => 6,
    'rolling highest of 12' => 6,
    'straight lines between denominators' => 7,
    'standardise' => 9,
    'rank' => 18,
    'seasons' => 18,
    // The window of a rate rolls both of its parts.
    'the first four on one rail' => 20,
    'rolling median of 12' => 25,
];
foreach ($once as $name => [$took, $pass]) {
    $row(
        "{$name}, 1,000,000 values",
        ($budgets[$name] ?? 3) . ' passes',
        $budgets[$name] ?? 3,
        static function () use (&$once, $calculated, $compiled, $name): array {
            [$took, $pass] = $once[$name] ?? $calculated(false, $name)[$name];
            unset($once[$name]);

            return [sprintf('%.0f ms, compiled %.0f ms', $took, $compiled[$name][0]), $took / $pass, true];
        },
    );
}

// Drawing.
$many = BenchData::memory(1_000, 520, Frequency::Week);
$composer = new LinesComposer(new ShippedFonts(__DIR__ . '/../resources/fonts'));
$study = Study::first('Bench', 'flow', $many);
$drawn = static function (callable $draw): array {
    $svg = '';
    $took = Processor::middle(3, static function () use ($draw, &$svg): void {
        $scene = $draw();
        assert($scene instanceof Scene);
        $svg = Svg::forScreen($scene, []);
    });

    return [$took, sprintf('%.0f ms, %.2f MB', $took, strlen($svg) / 1e6), strlen($svg) <= 1.5e6];
};
$draw = static fn() => $composer->compose(Lineup::of(Comparison::of($study, $many)), 956, 404);
$inPasses('1,000 series × 520 weeks drawn', 20, static fn(): array => $drawn($draw), ', 1.5 MB');
unset($many, $draw);

// The other views, with many lines.
$letters = new ShippedFonts(__DIR__ . '/../resources/fonts');
foreach (
    [
        ['200 panels of 120 months', 200, 'lines', 'entity', 20],
        ['200 panels of years over each other', 200, 'overlay', 'entity', 20],
        ['1,000 rows of sparks', 1_000, 'sparks', 'none', 20],
        ['a stack of 200', 200, 'stack', 'none', 20],
        ['a scatter of 1,000', 1_000, 'scatter', 'none', 20],
    ] as [$name, $count, $view, $by, $most]
) {
    $some = BenchData::memory($count, 120, Frequency::Month);
    $seen = Study::first('Bench', 'flow', $some)->withView($view)->withPart(PanelsPart::from(['by' => $by]));
    $draw = static fn() => Views::of($seen)->picture(Comparison::of($seen, $some), $letters, 956, 404);
    $inPasses($name, $most, static fn(): array => $drawn($draw), ', 1.5 MB');
}
unset($some, $draw);

// Import, and edits through the real server.
$server = Server::start();
foreach (
    [
        ['a long CSV of 1,000,080 rows', BenchData::csv("{$server->folder}/million.csv", 8_334, 120), 80],
        [
            'a CSV of 500,040 rows with two measures',
            BenchData::csv("{$server->folder}/two.csv", 4_167, 120, two: true),
            80,
        ],
        ['a workbook of 100,080 rows', BenchData::workbook("{$server->folder}/large.xlsx", 834, 120), 300],
    ] as [$name, $file, $most]
) {
    $inPasses("import of {$name}", $most, static function () use ($server, $file): array {
        ['seconds' => $seconds, 'megabytes' => $megabytes] = $server->import($file);

        return [$seconds * 1e3, sprintf('%.1f s, %.0f MB', $seconds, $megabytes), $megabytes <= 250];
    }, ', 250 MB');
}
/** A row in empty requests of the same server: what PHP and the framework take before anything is done. */
$inRequests = static fn(string $what, float $most, Closure $measure, string $limits = '') => $row(
    $what,
    "{$most} empty requests{$limits}",
    $most,
    static function () use ($server, $measure): array {
        $empty = $server->emptyRequest();
        /** @var array{float, string, bool} $found */
        $found = $measure();
        [$took, $measured, $within] = $found;
        $empty = ($empty + $server->emptyRequest()) / 2;

        return [$measured, $took / $empty, $within];
    },
);
foreach (
    [
        ['24 × 118', [24, 118], [], 10, 15, 100],
        ['200 × 120', [200, 120], [], 20, 80, 100],
        ['2,000 × 500 with three stops', [2_000, 500], ['against'], 20, 400, 24],
    ] as [$name, $size, $more, $most, $sent, $count]
) {
    // Of many lines the values take the time, of few the request.
    $in = $size[0] < 1_000 ? $inRequests : $inPasses;
    $in(
        "edit of {$name}: p50, p95, processor; answer",
        $most,
        static function () use ($server, $size, $more, $sent, $count): array {
            $edits = $server->edits(BenchData::csv("{$server->folder}/edits.csv", ...$size), $count, $more);

            return [
                $edits['p95'],
                sprintf('%.0f, %.0f, %.0f ms; %.1f kB', ...array_values($edits)),
                $edits['kilobytes'] <= $sent,
            ];
        },
        ", {$sent} kB",
    );
}
$inRequests('first page with 200 studies: p50, p95', 10, static function () use ($server): array {
    [$usual, $slow] = $server->firstPage(200, 100);

    return [$slow, sprintf('%.0f, %.0f ms', $usual, $slow), true];
});

// A picture, and briefs of six pictures each.
$row('first view of a study, without fonts', '60 kB', INF, static function () use ($server): array {
    $view = $server->firstView();

    return [sprintf('%.1f kB', $view), 0.0, $view <= 60];
});
$server->demo();
foreach ([1 => 35, 2 => 60] as $times => $most) {
    $inRequests("a slide as PNG at {$times} ×", $most, static function () use ($server, $times): array {
        $png = $server->png($times);

        return [$png, sprintf('%.0f ms', $png), true];
    });
}
$inRequests('24 briefs of six pictures as PDF', 10_000, static function () use ($server): array {
    $seconds = $server->briefs();

    return [$seconds * 1e3, sprintf('%.1f s', $seconds), true];
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
$inPasses('a file of 5 MB understood and its beginning read', 12, static function () use ($work): array {
    $took = Processor::middle(7, $work);

    return [$took, sprintf('%.0f ms', $took), true];
});
unlink($path);
/** @var array{int, int} $score */
$score = require __DIR__ . '/corpus.php';
[$right, $tried] = $score;
$enough = $tried > 0 && $right >= 0.95 * $tried;
$guessed = static fn(): array => ["{$right} of {$tried}", 0.0, $enough];
$row('open tables read right at first guess', '95 %', INF, $guessed);

// Styles and scripts.
$bytes = 0;
foreach (glob(__DIR__ . '/../public/build/assets/app-*.js') ?: [] as $script) {
    $bytes += strlen((string) gzencode((string) file_get_contents($script), 9));
}
$kilobytes = static fn(int $bytes, int $most): Closure => static fn(): array => [
    sprintf('%.1f kB', $bytes / 1e3),
    0.0,
    $bytes <= $most * 1e3,
];
$row('own JavaScript, gzipped', '25 kB', INF, $kilobytes($bytes, 25));

$styles = 0;
foreach (glob(__DIR__ . '/../public/build/assets/app-*.css') ?: [] as $sheet) {
    $styles += (int) filesize($sheet);
}
$row('styles', '100 kB', INF, $kilobytes($styles, 100));

printf(
    "A pass took %.1f ms at the end; other machines took %.0f %% of the processor time that was wanted.\n",
    Processor::pass(),
    100 * $processor->stolenSince(),
);

exit(in_array(false, $rows, true) ? 1 : 0);
