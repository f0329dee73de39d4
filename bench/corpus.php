<?php

declare(strict_types=1);

/*
 * How many of some open tables are read right at first guess. Run by bin/bench, or:
 *   php bench/corpus.php [--wrong]
 * The tables are those of R's package `datasets` (where R is installed) and of the npm package vega-datasets 2.11.0,
 * which is fetched once. What should come of each was written down by hand: shape; frequency; entities; measures;
 * breakdowns. Tables that hold no time are of one moment. Reading was made better on these tables, so the score says
 * what breaks, and not how other files will be read. Of R's tables the values are those that R has: as many, with the
 * same sum.
 */

use App\Formats\DelimitedFile;
use App\Formats\TableSources;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Reader;
use DuskRail\Refusal;

require_once __DIR__ . '/../vendor/autoload.php';

$expected = [
    'AirPassengers.csv' => 'long; month; 1; 1; ',
    'BJsales.csv' => 'long; number; 1; 1; ',
    'BJsales.lead.csv' => 'long; number; 1; 1; ',
    'ChickWeight.csv' => 'long; number; 50; 1; ',
    'EuStockMarkets.csv' => 'entities-across; day; 4; 1; ',
    'JohnsonJohnson.csv' => 'long; quarter; 1; 1; ',
    'LakeHuron.csv' => 'long; year; 1; 1; ',
    'LifeCycleSavings.csv' => 'moment; number; 50; 5; ',
    'Loblolly.csv' => 'long; number; 14; 1; ',
    'Nile.csv' => 'long; year; 1; 1; ',
    'Orange.csv' => 'long; number; 5; 1; ',
    'Seatbelts.csv' => 'long; month; 1; 8; ',
    'UKDriverDeaths.csv' => 'long; month; 1; 1; ',
    'UKgas.csv' => 'long; quarter; 1; 1; ',
    'USAccDeaths.csv' => 'long; month; 1; 1; ',
    'USArrests.csv' => 'moment; number; 50; 4; ',
    'USJudgeRatings.csv' => 'moment; number; 43; 12; ',
    'USPersonalExpenditure.csv' => 'periods-across; year; 5; 1; ',
    'VADeaths.csv' => 'moment; number; 5; 4; ',
    'WWWusage.csv' => 'long; number; 1; 1; ',
    'WorldPhones.csv' => 'entities-across; year; 7; 1; ',
    'airmiles.csv' => 'long; year; 1; 1; ',
    'austres.csv' => 'long; quarter; 1; 1; ',
    'co2.csv' => 'long; month; 1; 1; ',
    'discoveries.csv' => 'long; year; 1; 1; ',
    'fdeaths.csv' => 'long; month; 1; 1; ',
    'ldeaths.csv' => 'long; month; 1; 1; ',
    'mdeaths.csv' => 'long; month; 1; 1; ',
    'lh.csv' => 'long; number; 1; 1; ',
    'longley.csv' => 'long; year; 1; 6; ',
    'lynx.csv' => 'long; year; 1; 1; ',
    'mtcars.csv' => 'moment; number; 32; 11; ',
    'nhtemp.csv' => 'long; year; 1; 1; ',
    'nottem.csv' => 'long; month; 1; 1; ',
    'presidents.csv' => 'long; quarter; 1; 1; ',
    'state.x77.csv' => 'moment; number; 50; 8; ',
    'sunspot.month.csv' => 'long; month; 1; 1; ',
    'sunspot.year.csv' => 'long; year; 1; 1; ',
    'sunspots.csv' => 'long; month; 1; 1; ',
    'swiss.csv' => 'moment; number; 47; 6; ',
    'treering.csv' => 'long; number; 1; 1; ',
    'uspop.csv' => 'long; year; 1; 1; ',
    'barley.json' => 'long; year; 6; 1; variety',
    'budget.json' => 'periods-across; year; 232; 1; Agency name',
    'burtin.json' => 'moment; number; 16; 3; ',
    'co2-concentration.csv' => 'entities-across; month; 2; 1; ',
    'countries.json' => 'long; year; 62; 6; ',
    'crimea.json' => 'entities-across; month; 3; 1; ',
    'disasters.csv' => 'long; year; 11; 1; ',
    'driving.json' => 'long; year; 1; 2; ',
    'gapminder-health-income.csv' => 'moment; number; 187; 3; ',
    'gapminder.json' => 'long; year; 62; 3; ',
    'flights-2k.json' => 'events; month; 59; 3; ',
    'github.csv' => 'long; day; 1; 1; ',
    'global-temp.csv' => 'long; year; 1; 1; ',
    'income.json' => 'moment; number; 52; 1; group',
    'iowa-electricity.csv' => 'long; year; 3; 1; ',
    'jobs.json' => 'long; year; 255; 2; sex',
    'obesity.json' => 'moment; number; 50; 1; ',
    'ohlc.json' => 'long; day; 1; 5; ',
    'population.json' => 'long; year; 1; 1; age, sex',
    'population_engineers_hurricanes.csv' => 'moment; number; 52; 3; ',
    'seattle-weather-hourly-normals.csv' => 'long; day; 1; 3; ',
    'seattle-weather.csv' => 'long; day; 1; 4; ',
    'sp500-2000.csv' => 'long; day; 1; 6; ',
    'sp500.csv' => 'long; month; 1; 1; ',
    'stocks.csv' => 'long; month; 5; 1; ',
    'unemployment-across-industries.json' => 'long; month; 14; 2; ',
    'unemployment.tsv' => 'moment; number; 3218; 1; ',
    'us-employment.csv' => 'entities-across; month; 23; 1; ',
    'weather.csv' => 'long; day; 2; 4; ',
    'wheat.json' => 'long; year; 1; 2; ',
];

$folder = dirname(__DIR__) . '/storage/corpus';
if (!is_dir($folder)) {
    mkdir($folder, 0o755, true);
    $in = escapeshellarg($folder);
    exec('Rscript ' . escapeshellarg(__DIR__ . '/corpus.R') . " {$in} 2>/dev/null");
    exec(
        "cd {$in} && npm pack vega-datasets@2.11.0 --silent >/dev/null 2>&1 && tar xzf vega-datasets-2.11.0.tgz " .
            '--strip-components=2 package/data && rm vega-datasets-2.11.0.tgz',
    );
}
$sums = [];
foreach (is_file("{$folder}/sums.csv") ? (file("{$folder}/sums.csv", FILE_IGNORE_NEW_LINES) ?: []) : [] as $line) {
    [$name, $count, $sum] = array_map(strval(...), str_getcsv($line, ',', '"', ''));
    $sums[$name] = [$count, $sum];
}
$right = $tried = 0;
foreach ($expected as $name => $wanted) {
    $path = $table = "{$folder}/{$name}";
    if (!is_file($path)) {
        continue;
    }
    $tried++;
    try {
        $source = TableSources::of($path);
        if ($source !== null) {
            $table = (string) tempnam(sys_get_temp_dir(), 'dusk-rail-');
            $open = $source::open($path);
            $open->write($open->tables()[0], $table);
        }
        [$sample] = DelimitedFile::open($table)->sample($name, 20_000);
        $plan = Detection::of($sample)->plan;
        $read = Reader::read($sample->rows, $plan);
        $found = implode('; ', [
            $plan->shape,
            $read->frequency->value,
            count($read->entities),
            count($read->measures),
            implode(', ', $read->metadata->breakdowns),
        ]);
        if (isset($sums[$name])) {
            $values = array_merge([], ...array_column(iterator_to_array($read->series(), false), 'values'));
            $values = array_filter($values, static fn(float $v): bool => !is_nan($v));
            [$count, $sum] = $sums[$name];
            $isSame =
                count($values) === (int) $count && abs(array_sum($values) - (float) $sum) <= 1e-9 * abs((float) $sum);
            $found .= $isSame
                ? ''
                : ' (' . count($values) . ' values of ' . array_sum($values) . " and not {$count} of {$sum})";
        }
        $found .= $read->problemCount === 0 ? '' : " ({$read->problemCount} cells cannot be read)";
    } catch (Refusal $problem) {
        $found = $problem->getMessage();
    }
    $right += $found === $wanted ? 1 : 0;
    if ($found !== $wanted && in_array('--wrong', $argv ?? [], true)) {
        echo "{$name}: {$found} where {$wanted} was meant\n";
    }
    if ($table !== $path) {
        unlink($table);
    }
}
if (in_array('--wrong', $argv ?? [], true)) {
    echo "{$right} of {$tried}\n";
}

return [$right, $tried];
