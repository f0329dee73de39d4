<?php

declare(strict_types=1);

/**
 * One import in a process of its own: php bench/import.php FILE; prints seconds and megabytes at most, its own or those
 * of what unpacks a workbook, as JSON.
 */

use App\Data\Import;
use App\Formats\DelimitedFile;
use App\Formats\TableSources;
use App\Formats\Unpacker;
use DuskRail\Reading\Detection;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
assert($app instanceof Application);
$app->make(Kernel::class)->bootstrap();

$path = $argv[1] ?? exit('Name the file.');
$start = hrtime(true);
if (TableSources::of($path) !== null) {
    Unpacker::write($path, "{$path}.txt");
    $path = "{$path}.txt";
}
$table = DelimitedFile::open($path);
$plan = Detection::of($table->sample('flow.csv', 20_000)[0])->plan;
$told = 0;
(new Import($path, 'flow.csv', $table, $plan, false, static function (int $rows) use (&$told): void {
    $told = $rows;
}))->asNew('Bench', '');
$used = getrusage(1);
$unpacked = is_array($used) && is_int($used['ru_maxrss'] ?? null) ? $used['ru_maxrss'] : 0;
echo json_encode(
    [
        'seconds' => (hrtime(true) - $start) / 1e9,
        'megabytes' => max(memory_get_peak_usage(true) / 1e6, $unpacked * 1.024e-3),
        'told' => $told,
    ],
    JSON_THROW_ON_ERROR,
);
