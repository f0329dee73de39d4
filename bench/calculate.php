<?php

declare(strict_types=1);

/**
 * Each calculation on 1,000,000 values, in a process of its own, compiled or not: php bench/calculate.php [NAME]
 * Prints as JSON by name: milliseconds, the middle of seven, and those of a plain pass, before and after
 * (Processor::pass()).
 */

use Bench\BenchData;
use Bench\Processor;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Time\Frequency;

require __DIR__ . '/../vendor/autoload.php';

$data = BenchData::memory(8_334, 120, Frequency::Month);
/** @var array<string, array{string, array<string, mixed>}> $calculations */
$calculations = require __DIR__ . '/calculations.php';
$rails = [];
foreach ($calculations as $name => [$type, $settings]) {
    $rails[$name] = Rail::of()->with(StopCatalogue::make($type, $settings));
}
$rails['the first four on one rail'] = array_reduce(
    array_slice($calculations, 0, 4),
    static fn(Rail $rail, array $stop): Rail => $rail->with(StopCatalogue::make(...$stop)),
    Rail::of(),
);
$measured = [];
foreach (isset($argv[1]) ? array_intersect_key($rails, [$argv[1] => true]) : $rails as $name => $rail) {
    $pass = Processor::pass();
    $took = Processor::middle(7, static fn() => $rail->run($data->table('flow'), $data));
    $measured[$name] = [$took, ($pass + Processor::pass()) / 2];
}
echo json_encode($measured, JSON_THROW_ON_ERROR);
