<?php

declare(strict_types=1);

namespace App\View;

use App\Drawing\Svg;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Study;
use DuskRail\Document\ViewCatalogue;
use DuskRail\Outcome\Comparison;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Refusal;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodAxis;
use DuskRail\Views\Views;

/** Small charts for the help page, drawn as those of studies are, of a few lines that are made up for it. */
final class HelpPage
{
    private const SIZE = [270.0, 140.0];

    private const MONTHS = 48;

    /** @return array<string, string> SVG by view, and `panels` */
    public static function views(): array
    {
        $pictures = [];
        $study = self::study();
        foreach (array_keys(ViewCatalogue::all()) as $view) {
            $pictures[$view] = self::drawn($study->withView($view), $view);
        }
        $panels = PanelsPart::from(['by' => 'entity']);

        return [...$pictures, 'panels' => self::drawn($study->withPart($panels), 'panels')];
    }

    /** @return array<string, string> SVG of the same lines, by how many stops are on the rail */
    public static function rail(): array
    {
        $plain = self::study();
        $smooth = $plain->withRail($plain->rail->with(StopCatalogue::make('rolling', ['window' => '12'])));
        $index = $smooth->withRail($smooth->rail->with(StopCatalogue::make('index', ['base' => '2022'])));

        return [
            'Ml per month' => self::drawn($plain, 'rail-0'),
            '12-month mean' => self::drawn($smooth, 'rail-1'),
            '2022 = 100' => self::drawn($index, 'rail-2'),
        ];
    }

    private static function drawn(Study $study, string $name): string
    {
        try {
            $comparison = Comparison::of($study, self::data());
            $scene = Views::of($study)->miniature($comparison, app(TextMeasure::class), ...self::SIZE);
        } catch (Refusal) {
            return '';
        }

        return Svg::forScreen($scene, ['role' => 'img', 'aria-label' => $scene->title], "help-{$name}-");
    }

    private static function study(): Study
    {
        return Study::first('Example', 'flow', self::data());
    }

    private static function data(): DataInMemory
    {
        $axis = PeriodAxis::of(Frequency::Month, 12 * 2021, self::MONTHS);
        $flow = Measure::of('flow', 'Flow', 'Ml', MeasureKind::Flow, Frequency::Month);
        $people = Measure::of('people', 'People', 'people', MeasureKind::Stock, Frequency::Month);
        $entities = $flows = $counts = [];
        foreach (
            ['Home' => 90, 'Ashen' => 40, 'Birchen' => 62, 'Cedar' => 118, 'Elder' => 77, 'Fir' => 101]
            as $name => $size
        ) {
            $key = strtolower($name);
            $n = count($entities);
            $entities[] = new Entity($key, $name, home: $name === 'Home');
            $values = array_map(
                static fn(int $i): float => $size *
                    (1.0 + 0.12 * sin((2.0 * M_PI * ($i + $n)) / 12) + ($n === 0 ? -0.011 : 0.001 * ($n - 3)) * $i),
                range(0, self::MONTHS - 1),
            );
            $flows[] = new Series($key, $values);
            $counts[] = new Series($key, array_fill(0, self::MONTHS, 1000.0 * $size * (1.0 + 0.13 * (($n * 5) % 4))));
        }

        return new DataInMemory([$flow, $people], $entities, [
            'flow' => new SeriesTable($axis, $flow->unitEach(), $flow->kind, $flows),
            'people' => new SeriesTable($axis, $people->unitEach(), $people->kind, $counts),
        ]);
    }
}
