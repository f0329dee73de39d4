<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Scene;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Run;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Views\Views;
use DuskRail\Words\Wording;

/** Small data sets, written as one would on paper: null is a missing value. */
final class Make
{
    /**
     * @param array<string, list<float|int|null>> $series by entity key, all of one length
     */
    public static function table(Measure $measure, string $first, array $series): SeriesTable
    {
        $start = Period::parse($first);
        $axis = PeriodAxis::of($start->frequency, $start->ordinal, count(reset($series) ?: []));
        $made = [];
        foreach ($series as $key => $values) {
            $made[] = new Series(
                $key,
                array_map(static fn(float|int|null $v): float => $v === null ? NAN : (float) $v, $values),
            );
        }

        return new SeriesTable($axis, $measure->unitEach(), $measure->kind, $made);
    }

    public static function measure(string $key, string $unit, MeasureKind $kind, string $first): Measure
    {
        return Measure::of($key, ucfirst(str_replace('-', ' ', $key)), $unit, $kind, Period::parse($first)->frequency);
    }

    /**
     * A data set of measures given as [unit, kind, first period, values by entity].
     *
     * @param array<string, array{string, MeasureKind, string, array<string, list<float|int|null>>}> $measures by key
     */
    public static function data(array $measures): DataInMemory
    {
        $made = $tables = $entities = [];
        foreach ($measures as $key => [$unit, $kind, $first, $series]) {
            $made[] = $measure = self::measure($key, $unit, $kind, $first);
            $tables[$key] = self::table($measure, $first, $series);
            foreach (array_keys($series) as $entity) {
                $entities[$entity] = new Entity($entity, ucfirst($entity), '', $entity === 'home');
            }
        }

        return new DataInMemory($made, array_values($entities), $tables);
    }

    /**
     * Monthly leakage at three utilities with yearly connections: two years, the second year's connections missing for
     * one.
     */
    public static function leakage(): DataInMemory
    {
        $months = static fn(float $base): array => array_map(static fn(int $i): float => $base + $i, range(0, 23));

        return self::data([
            'leakage' => [
                'Ml',
                MeasureKind::Flow,
                '2019-01',
                ['home' => $months(100), 'marl' => $months(50), 'tarrow' => $months(10)],
            ],
            'connections' => [
                'connections',
                MeasureKind::Stock,
                '2019',
                ['home' => [50_000, 52_000], 'marl' => [20_000, null], 'tarrow' => [5_000, 5_000]],
            ],
        ]);
    }

    public static function study(DataInMemory $data, Stop ...$stops): Study
    {
        $rail = array_reduce($stops, static fn(Rail $rail, Stop $stop): Rail => $rail->with($stop), Rail::of());
        $measure = (string) array_key_first($data->measures());

        return Study::first('Study', $measure, $data)->withRail($rail);
    }

    /** @param array<string, mixed> $settings */
    public static function run(DataInMemory $data, string $stop, array $settings): Run
    {
        $measure = (string) array_key_first($data->measures());

        return Rail::of()->with(StopCatalogue::make($stop, $settings))->run($data->table($measure), $data);
    }

    /** @return list<float|null> the values a run ends in, rounded, with null for missing */
    public static function values(Run $run, string $key, int $decimals = 6): array
    {
        return array_map(
            static fn(float $v): ?float => is_nan($v) ? null : round($v, $decimals),
            $run->table()->series[$key]->values,
        );
    }

    /** The words around a picture, as its view proposes them or the study has them. */
    public static function wording(Comparison $comparison, string $source): Wording
    {
        return Views::of($comparison->study)->wording($comparison, $source);
    }

    /** A comparison as its view draws it, with letters that are all alike. */
    public static function picture(Comparison $comparison, float $width = 900.0, float $height = 400.0): Scene
    {
        return Views::of($comparison->study)->picture($comparison, new SquareLetters(), $width, $height);
    }

    /** The lines that the view of a comparison shows. */
    public static function lineup(Comparison $comparison): Lineup
    {
        return Views::of($comparison->study)->lineup($comparison);
    }
}
