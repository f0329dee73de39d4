<?php

declare(strict_types=1);

/*
 * How often a verdict errs: simulated series without a trend, of which at most 7 % may be called rising or falling at
 * the 5 % level, and series with a trend of half a standard deviation a year, of which most should be.
 *
 *     php bench/trends.php [runs]
 *
 * Prints the table that is in docs/methods.md.
 */

require __DIR__ . '/../vendor/autoload.php';

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Stops\Rolling;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;

$runs = (int) ($argv[1] ?? 2000);
mt_srand(2026);

$normal = static function (): float {
    return sqrt(-2 * log((mt_rand() + 1) / (mt_getrandmax() + 2))) * cos((2 * M_PI * mt_rand()) / mt_getrandmax());
};
/**
 * A first-order autoregressive series of standard deviation one, with a season if so wanted.
 *
 * @return list<float>
 */
$noise = static function (int $count, float $likeness, float $season) use ($normal): array {
    $values = [];
    $value = (float) $normal();
    for ($i = 0; $i < $count; $i++) {
        $values[] = $value + $season * sin((2 * M_PI * $i) / 12);
        $value = $likeness * $value + sqrt(1 - $likeness ** 2) * $normal();
    }

    return $values;
};
/**
 * The verdict of the program on values, as Standing and Sparks give it.
 *
 * @param list<float> $values
 */
$verdict = static function (array $values, Frequency $frequency, bool $smoothed): string {
    $measure = Measure::of('x', 'X', 'h', MeasureKind::Stock, $frequency);
    $first = Period::holding($frequency, Period::year(2000)->firstDay());
    $axis = PeriodAxis::of($frequency, $first->ordinal, count($values));
    /** @var list<float> $values */
    $table = new SeriesTable($axis, $measure->unit, $measure->kind, [new Series('e', $values)]);
    $data = new DataInMemory([$measure], [new Entity('e', 'E')], ['x' => $table]);
    $study = Study::first('Study', 'x', $data);
    $study = $smoothed ? $study->withRail(Rail::of()->with(new Rolling(window: 12))) : $study;
    $comparison = Comparison::of($study, $data);

    return $comparison->courses->course($comparison->lines[0])->trend->verdict;
};

echo "| figures | likeness of neighbours | called a trend, without one | found, with one | no verdict |\n";
echo "|---|--:|--:|--:|--:|\n";
foreach (
    [
        ['7 years', Frequency::Year, 7, 0.8, false],
        ['8 years', Frequency::Year, 8, 0.0, false],
        ['9 years', Frequency::Year, 9, 0.8, false],
        ['10 years', Frequency::Year, 10, 0.0, false],
        ['10 years', Frequency::Year, 10, 0.8, false],
        ['15 years', Frequency::Year, 15, 0.0, false],
        ['15 years', Frequency::Year, 15, 0.8, false],
        ['30 years', Frequency::Year, 30, 0.0, false],
        ['30 years', Frequency::Year, 30, 0.8, false],
        ['60 years', Frequency::Year, 60, 0.8, false],
        ['20 quarters', Frequency::Quarter, 20, 0.0, false],
        ['40 quarters', Frequency::Quarter, 40, 0.8, false],
        ['60 months', Frequency::Month, 60, 0.0, false],
        ['60 months', Frequency::Month, 60, 0.8, false],
        ['60 months, good and bad years', Frequency::Month, 60, 0.0, false, 1.0],
        ['120 months', Frequency::Month, 120, 0.0, false],
        ['120 months, good and bad years', Frequency::Month, 120, 0.0, false, 1.0],
        ['120 months', Frequency::Month, 120, 0.6, false],
        ['120 months', Frequency::Month, 120, 0.8, false],
        ['120 months', Frequency::Month, 120, 0.9, false],
        ['12-month means of 120 months', Frequency::Month, 120, 0.0, true],
        ['12-month means of 120 months', Frequency::Month, 120, 0.8, true],
        ['520 weeks', Frequency::Week, 520, 0.8, false],
    ] as $row
) {
    [$what, $frequency, $count, $likeness, $smoothed] = $row;
    $ofYears = $row[5] ?? 0.0;
    $called = $found = $none = 0;
    $perYear = $frequency->meanPerYear();
    for ($run = 0; $run < $runs; $run++) {
        $values = $noise($count, $likeness, $frequency === Frequency::Month ? 1.0 : 0.0);
        $year = 0.0;
        foreach ($values as $i => $value) {
            // What all months of a year share, as large as what each has of its own.
            $year = $ofYears > 0.0 && $i % 12 === 0 ? $ofYears * $normal() : $year;
            $values[$i] = $value + $year;
        }
        $plain = $verdict($values, $frequency, $smoothed);
        $called += in_array($plain, ['rising', 'falling'], true) ? 1 : 0;
        $none += $plain === 'not tested' ? 1 : 0;
        $rising = [];
        foreach ($values as $i => $value) {
            $rising[] = $value + (0.5 * $i) / $perYear;
        }
        $found += $verdict($rising, $frequency, $smoothed) === 'rising' ? 1 : 0;
    }
    printf(
        "| %s | %.1f | %.1f %% | %.0f %% | %.0f %% |\n",
        $what,
        $likeness,
        (100 * $called) / $runs,
        (100 * $found) / $runs,
        (100 * $none) / $runs,
    );
}
