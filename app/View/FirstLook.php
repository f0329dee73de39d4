<?php

declare(strict_types=1);

namespace App\View;

use App\Drawing\Svg;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\Benchmark;
use DuskRail\Data\Breakdown;
use DuskRail\Data\Cell;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Data\UnknownMeasure;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Reading\FoundBreakdowns;
use DuskRail\Reading\Observations;
use DuskRail\Refusal;
use DuskRail\Time\PeriodAxis;
use DuskRail\Views\Views;

/** A small picture of the first lines of a file, before anything is stored. */
final class FirstLook
{
    /** Lines that are drawn; more are told by how many there are. */
    private const MOST = 80;

    private const SIZE = [330.0, 200.0];

    /**
     * @param int $measure number of the one that the first study opens on
     * @return string SVG; nothing where there is nothing to draw
     */
    public static function of(Observations $read, int $measure, string $home): string
    {
        if (!isset($read->measures[$measure])) {
            return '';
        }
        try {
            $data = self::data($read, $measure, $home);
            $comparison = Comparison::of(Study::first('', 'm', $data), $data);
            $scene = Views::of($comparison->study)->picture($comparison, app(TextMeasure::class), ...self::SIZE);
        } catch (Refusal) {
            return '';
        }

        return Svg::forScreen($scene, ['role' => 'img', 'aria-label' => __('The first lines of the file')], 'first-');
    }

    private static function data(Observations $read, int $number, string $home): DataInMemory
    {
        $found = FoundBreakdowns::of($read);
        $of = $read->measures[$number];
        $frequency = $read->frequencyOf($number);
        $measure = Measure::of('m', $of->name, $of->unit, $of->kind, $frequency, $of->better);
        $entities = $cells = [];
        // Of breakdowns the category that a study begins with; a table of each would fill the memory.
        $shown = Cell::of(array_map(static fn(Breakdown $b): string => $b->default(), $found->all))->text();
        foreach ($read->series() as $series) {
            if ($series->measure !== $number || ($found->all !== [] && $found->cell($series) !== $shown)) {
                continue;
            }
            $name = $read->entities[$series->entity];
            if (isset($entities[$series->entity]) || count($entities) < self::MOST || $name === $home) {
                $entities[$series->entity] = new Entity(
                    "e{$series->entity}",
                    $name,
                    home: $name === $home,
                    attributes: array_filter([Benchmark::ATTRIBUTE => $read->metadata->benchmarks[$name] ?? '']),
                );
                $cells[$found->cell($series)][] = $series;
            }
        }
        $tables = [];
        foreach ($cells as $cell => $all) {
            $first = min(array_column($all, 'first'));
            $end = max(array_map(static fn($one): int => $one->first + count($one->values), $all));
            $tables["m/{$cell}"] = new SeriesTable(
                PeriodAxis::of($frequency, $first, $end - $first),
                $measure->unitEach(),
                $measure->kind,
                array_map(
                    static fn($one): Series => new Series("e{$one->entity}", [
                        ...array_fill(0, $one->first - $first, NAN),
                        ...$one->values,
                        ...array_fill(0, $end - $one->first - count($one->values), NAN),
                    ]),
                    $all,
                ),
            );
        }
        if ($tables === []) {
            throw UnknownMeasure::named($of->name);
        }
        $tables['m'] = $tables['m/' . Cell::of()] ?? array_values($tables)[0];

        return new DataInMemory([$measure], array_values($entities), $tables, [], $found->all);
    }
}
