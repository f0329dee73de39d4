<?php

declare(strict_types=1);

/** One import in a process of its own: php bench/import.php FILE; prints seconds and peak megabytes as JSON. */

use App\Data\Import;
use App\Formats\DelimitedFile;
use DuskRail\Reading\Detection;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
assert($app instanceof Application);
$app->make(Kernel::class)->bootstrap();

$path = $argv[1] ?? exit('Name the file.');
$start = hrtime(true);
$table = DelimitedFile::open($path);
$plan = Detection::of($table->sample('flow.csv', 20_000)[0])->plan;
$told = 0;
(new Import($path, 'flow.csv', $table, $plan, false, static function (int $rows) use (&$told): void {
    $told = $rows;
}))->asNew('Bench', '');
echo json_encode(
    ['seconds' => (hrtime(true) - $start) / 1e9, 'megabytes' => memory_get_peak_usage(true) / 1e6, 'told' => $told],
    JSON_THROW_ON_ERROR,
);
