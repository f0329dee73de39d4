<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Colour;
use DuskRail\Chart\Group;
use DuskRail\Chart\Ink;
use DuskRail\Chart\LabelPlacement;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\Mark;
use DuskRail\Chart\Palette;
use DuskRail\Chart\Scale;
use DuskRail\Chart\Scene;
use DuskRail\Chart\Stroke;
use DuskRail\Chart\Thinning;
use DuskRail\Chart\Ticks;
use DuskRail\Chart\TimeTick;
use DuskRail\Chart\TimeTicks;
use DuskRail\Chart\TrackComposer;
use DuskRail\Chart\Words;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\LineState;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Tone;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ChartTest extends TestCase
{
    /** @param list<string> $labels */
    #[TestWith([0.0, 100.0, 5, ['0', '20', '40', '60', '80', '100']])]
    #[TestWith([62.0, 123.0, 5, ['80', '100', '120']])]
    #[TestWith([-0.3, 0.3, 6, ['−0.3', '−0.2', '−0.1', '0.0', '0.1', '0.2', '0.3']])]
    #[TestWith([0.0, 24_000_000.0, 4, ['0', '10 million', '20 million']])]
    #[TestWith([0.00012, 0.00019, 4, ['0.00012', '0.00014', '0.00016', '0.00018']])]
    public function testTicksAreRoundAndNoMoreThanThereIsRoomFor(
        float $low,
        float $high,
        int $most,
        array $labels,
    ): void {
        $ticks = Ticks::between($low, $high, $most);
        self::assertSame($labels, array_map($ticks->label(...), $ticks->values));
    }

    /** @return iterable<string, array{string, float, list<string>}> */
    public static function timeAxes(): iterable
    {
        yield 'ten years of months' => [
            '2016-01..2025-10',
            770.0,
            ['2016', '2017', '2018', '2019', '2020', '2021', '2022', '2023', '2024', '2025'],
        ];
        yield 'ten years on a telephone' => ['2016-01..2025-10', 230.0, ['2016', '2018', '2020', '2022', '2024']];
        yield 'two years of months' => [
            '2024-01..2025-12',
            400.0,
            ['Jan 2024', 'Apr', 'Jul', 'Oct', 'Jan 2025', 'Apr', 'Jul', 'Oct'],
        ];
        yield 'from the middle of a year' => [
            '2019-11..2020-04',
            400.0,
            ['Nov 2019', 'Dec', 'Jan 2020', 'Feb', 'Mar', 'Apr'],
        ];
        yield 'quarters' => ['2023-Q3..2024-Q4', 500.0, ['Q3 2023', 'Q4', 'Q1 2024', 'Q2', 'Q3', 'Q4']];
        yield 'years' => ['2010..2021', 300.0, ['2010', '2012', '2014', '2016', '2018', '2020']];
        yield 'a fortnight of days' => ['2024-06-03..2024-06-16', 700.0, ['3 Jun 2024', '10 Jun']];
        yield 'weeks over new year' => [
            '2023-W40..2024-W20',
            600.0,
            ['Oct 2023', 'Nov', 'Dec', 'Jan 2024', 'Feb', 'Mar', 'Apr', 'May'],
        ];
        yield 'a single month' => ['2024-03..2024-03', 400.0, ['Mar 2024']];
        yield 'plain numbers' => ['#1..#30', 300.0, ['5', '10', '15', '20', '25', '30']];
    }

    /** @param list<string> $expected labels, with the year where it is said below */
    #[DataProvider('timeAxes')]
    public function testATimeAxisIsInTheWordsPeopleUse(string $range, float $width, array $expected): void
    {
        $axis = PeriodAxis::along(PeriodRange::parse($range));
        $ticks = TimeTicks::along(
            $axis,
            0,
            $axis->count - 1,
            $width / max(1, $axis->count - 1),
            self::measure()->narrow(...),
        );
        self::assertSame(
            $expected,
            array_map(static fn(TimeTick $t): string => trim("{$t->label} {$t->below}"), $ticks),
        );
    }

    public function testTheWordsAlongATimeAxisAreApartAtEveryWidth(): void
    {
        $wide = self::measure()->narrow(...);
        foreach (['2019-03..2024-07', '1990-01..2024-12', '2021-Q2..2024-Q3', '2020-W05..2024-W40'] as $range) {
            $axis = PeriodAxis::along(PeriodRange::parse($range));
            for ($width = 120.0; $width < 1600.0; $width += 37.0) {
                $step = $width / ($axis->count - 1);
                $ticks = TimeTicks::along($axis, 0, $axis->count - 1, $step, $wide);
                self::assertGreaterThan($width < 200.0 ? 0 : 1, count($ticks), "{$range} on {$width} pixels");
                for ($i = 1; $i < count($ticks); $i++) {
                    $apart = ($ticks[$i]->centre - $ticks[$i - 1]->centre) * $step;
                    $words = ($wide($ticks[$i]->label) + $wide($ticks[$i - 1]->label)) / 2;
                    self::assertGreaterThan(5.0, $apart - $words, "{$range}, {$width}: {$ticks[$i]->label}");
                }
            }
        }
    }

    /** 2025 has ten months of 1.45 pixels; its label is wider, and there is room beside it. */
    public function testAYearAtTheEdgeIsNamedWhereThoseBesideItAreNot(): void
    {
        $axis = PeriodAxis::along(PeriodRange::parse('2016-01..2025-10'));
        $ticks = TimeTicks::along($axis, 0, 117, 170 / 117, self::measure()->narrow(...));
        self::assertSame(['2020', '2025'], array_map(static fn(TimeTick $tick): string => $tick->label, $ticks));
        self::assertLessThanOrEqual(170.0 + 8.0, $ticks[1]->centre * (170 / 117) + self::measure()->narrow('2025') / 2);
        // One month of a year is too little to name it by.
        $ticks = TimeTicks::along($axis, 0, 108, 170 / 108, static fn(): float => 60.0);
        self::assertSame(['2020'], array_map(static fn(TimeTick $tick): string => $tick->label, $ticks));
    }

    public function testLabelsNeverOverlapAndMoveNoMoreThanTheyMust(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 500; $round++) {
            $wanted = array_map(static fn(): float => mt_rand(0, 4000) / 10, array_fill(0, mt_rand(1, 11), 0));
            $heights = array_map(static fn(): float => [20.0, 36.0][mt_rand(0, 1)], $wanted);
            $placed = LabelPlacement::column($wanted, $heights, 0.0, 400.0);
            asort($wanted);
            $order = array_keys($wanted);
            foreach ($order as $at => $key) {
                $half = $heights[$key] / 2 - 1e-9;
                self::assertTrue($placed[$key] >= $half && $placed[$key] <= 400.0 - $half);
                if ($at > 0) {
                    $above = $order[$at - 1];
                    self::assertTrue($placed[$key] - $half >= $placed[$above] + $heights[$above] / 2 - 1e-9);
                }
            }
            self::assertSame(array_keys($wanted), $order);
        }
        // Two that want the same place part evenly, also a high one and a low one; one that is far off stays.
        self::assertEquals(
            [86.0, 114.0, 300.0],
            array_values(LabelPlacement::column([100.0, 100.0, 300.0], [36.0, 20.0, 20.0], 0.0, 400.0)),
        );
        self::assertEquals(
            [90.0, 110.0, 300.0],
            array_values(LabelPlacement::column([100.0, 100.0, 300.0], 20.0, 0.0, 400.0)),
        );
    }

    public function testThinningKeepsTheFirstLastLowestAndHighestOfEveryPixelColumn(): void
    {
        mt_srand(5);
        $points = [];
        for ($i = 0; $i < 4000; $i++) {
            array_push($points, $i * 0.05 + 0.31, (float) mt_rand(0, 1000));
        }
        $thin = Thinning::perPixelColumn($points);
        self::assertLessThanOrEqual(2 * 4 * 201, count($thin));
        self::assertSame(self::columns($points), self::columns($thin));
    }

    /**
     * @param list<float> $points
     * @return array<int, array{float, float, float, float}> first, last, lowest and highest by pixel column
     */
    private static function columns(array $points): array
    {
        $columns = [];
        for ($i = 0; $i < count($points); $i += 2) {
            $column = (int) floor($points[$i]);
            $y = $points[$i + 1];
            [$first, , $low, $high] = $columns[$column] ?? [$y, $y, $y, $y];
            $columns[$column] = [$first, $y, min($low, $y), max($high, $y)];
        }

        return $columns;
    }

    public function testLinesStandWhereTheirValuesPutThemAndGapsStayOpen(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2020-01',
                ['home' => [10, 20, null, 40, 50, null, 30], 'marl' => [0, 0, 0, 0, 0, 0, 0]],
            ],
        ]);
        $scene = self::scene($data);
        $plot = $scene->plot;
        self::assertNotNull($plot);
        // From zero, since the values reach it, to a little over the highest.
        $scale = new Scale(0.0, 52.0, $plot->bottom, $plot->top);
        $stroke = self::strokes($scene, 'home')[1];
        self::assertCount(3, $stroke->pieces);
        self::assertEqualsWithDelta(
            [$plot->left, $scale->at(10), $plot->left + $plot->step(), $scale->at(20)],
            $stroke->pieces[0],
            1e-9,
        );
        self::assertEqualsWithDelta([$plot->right, $scale->at(30)], $stroke->pieces[2], 1e-9);
        self::assertSame([Ink::Focus1, 3.0], [$stroke->ink, $stroke->width]);
        self::assertSame(Ink::Peer, self::strokes($scene, 'marl')[0]->ink);
    }

    public function testTheVerticalAxisIsCutWhereZeroIsFar(): void
    {
        self::assertSame(0.0, Scale::vertical([30.0, 100.0], 400, 0)->low);
        self::assertSame(60.0 - 0.04 * 40, Scale::vertical([60.0, 100.0], 400, 0)->low);
        self::assertLessThan(-5.0, Scale::vertical([-5.0, 100.0], 400, 0)->low);
        self::assertSame([4.5, 5.5], [Scale::vertical([5.0], 400, 0)->low, Scale::vertical([5.0], 400, 0)->high]);
    }

    public function testEndLabelsNameFocusAndMedianWithTheirValuesAndStayApart(): void
    {
        $series = [];
        for ($i = 0; $i < 12; $i++) {
            $series[$i === 0 ? 'home' : "peer{$i}"] = [50, 50 + $i / 100];
        }
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2020', $series]]);
        $study = Study::first('S', 'flow', $data)
            ->withState('peer5', LineState::Focus)
            ->withState('peer6', LineState::Focus);
        $scene = (new LinesComposer(self::measure()))->compose(Lineup::of(Comparison::of($study, $data)), 900, 400);
        $labels = array_values(
            array_filter(self::flat($scene->marks, 'end-label'), static fn(Mark $m): bool => $m instanceof Words),
        );
        self::assertSame(
            ['Home 50.00', 'Peer5 50.05', 'Peer6 50.06', 'Peer median 50.06'],
            array_map(static fn(Mark $w): string => $w instanceof Words ? $w->text() : '', $labels),
        );
        $ys = array_map(static fn(Mark $w): float => $w instanceof Words ? $w->y : 0.0, $labels);
        sort($ys);
        for ($i = 1; $i < count($ys); $i++) {
            self::assertGreaterThanOrEqual(20.0 - 1e-9, $ys[$i] - $ys[$i - 1]);
        }
    }

    public function testTheTrackSharesTheChartsTimeScaleAndShowsTheBase(): void
    {
        $data = Make::leakage();
        $comparison = Comparison::of(Make::study($data, StopCatalogue::make('index', ['base' => '2019'])), $data);
        $chart = (new LinesComposer(self::measure()))->compose(Lineup::of($comparison), 900, 400)->plot;
        self::assertNotNull($chart);
        $track = (new TrackComposer(self::measure()))->compose($comparison, $chart, 900);
        self::assertEquals(
            [$chart->left, $chart->right, $chart->step()],
            [$track->plot?->left, $track->plot?->right, $track->plot?->step()],
        );
        $base = array_values(
            array_filter($track->marks, static fn(Mark $m): bool => $m instanceof Group && $m->role === 'track-base'),
        )[0];
        self::assertInstanceOf(Group::class, $base);
        self::assertSame(['from' => '0', 'to' => '11', 'label' => '2019'], $base->facts);
    }

    public function testABaseOfTheCalendarHasNoPlaceOnAnAxisOfPeriodsSinceAnEvent(): void
    {
        $data = Make::leakage();
        $index = StopCatalogue::make('index', ['base' => '2019']);
        $since = StopCatalogue::make('index', ['at' => 'first', 'along' => 'since', 'base' => '2019']);
        self::assertSame('2019', Comparison::of(Make::study($data, $index), $data)->base()?->label());
        $comparison = Comparison::of(Make::study($data, $index, $since), $data);
        self::assertNull($comparison->base());
        $chart = (new LinesComposer(self::measure()))->compose(Lineup::of($comparison), 900, 400)->plot;
        self::assertNotNull($chart);
        $track = (new TrackComposer(self::measure()))->compose($comparison, $chart, 900);
        self::assertSame([], self::flat($track->marks, 'track-base'));
    }

    #[TestWith([false])]
    #[TestWith([true])]
    public function testFocusHuesAreReadableAndTellApartByEveryEye(bool $night): void
    {
        $palette = $night ? Palette::night() : Palette::day();
        $colour = static fn(Ink $ink): Colour => Colour::hex($palette->colour($ink));
        $hues = array_map(static fn(int $hue): Colour => $colour(Ink::focus($hue)), range(1, 6));
        foreach ([Ink::Ground, Ink::Sheet, Ink::Tint] as $ground) {
            foreach ([...$hues, $colour(Ink::Text), $colour(Ink::Quiet), $colour(Ink::Warn)] as $text) {
                self::assertGreaterThanOrEqual(4.5, $text->contrast($colour($ground)));
            }
            self::assertGreaterThanOrEqual(3.0, $colour(Ink::Median)->contrast($colour($ground)));
        }
        foreach ($hues as $i => $one) {
            foreach (array_slice($hues, $i + 1) as $two) {
                self::assertGreaterThanOrEqual(20.0, $one->difference($two));
                foreach (['red', 'green', 'blue'] as $cones) {
                    self::assertGreaterThanOrEqual(
                        10.0,
                        $one->seenWithout($cones)->difference($two->seenWithout($cones)),
                    );
                }
            }
        }
    }

    /** CIE 15:2004 by IEC 61966-2-1 and D65: the usual values of red, green and blue, from memory. */
    public function testLightnessAndHueAreThoseOfTheStandard(): void
    {
        foreach (
            ['ff0000' => [53.24, 80.09, 67.2], '00ff00' => [87.74, -86.18, 83.18], '0000ff' => [32.3, 79.19, -107.86]]
            as $hex => $lab
        ) {
            self::assertEqualsWithDelta($lab, Colour::hex("#{$hex}")->lab(), 0.02);
        }
    }

    #[TestWith([false])]
    #[TestWith([true])]
    public function testScalesOfColourAreReadableAndGoOneWay(bool $night): void
    {
        $palette = $night ? Palette::night() : Palette::day();
        foreach ([false, true] as $about) {
            $steps = array_map(
                static fn(int $step): Colour => Colour::hex(
                    $palette->colour(Ink::from((new Tone($about, $step))->ink())),
                ),
                range(1, Tone::STEPS),
            );
            $far = array_map(
                static fn(Colour $c): float => abs($c->lab()[0] - $steps[$about ? 3 : 0]->lab()[0]),
                $steps,
            );
            foreach ($steps as $i => $one) {
                foreach ([Ink::Ground, Ink::Sheet, Ink::Tint] as $ground) {
                    self::assertGreaterThanOrEqual(4.5, $one->contrast(Colour::hex($palette->colour($ground))));
                }
                if ($i > 0) {
                    // Each step is further from the pale one, and told from its neighbour by every eye.
                    self::assertTrue($about && $i < 4 ? $far[$i] < $far[$i - 1] : $far[$i] > $far[$i - 1]);
                    self::assertGreaterThanOrEqual(
                        2.5,
                        min(
                            array_map(
                                static fn(string $cones): float => $one
                                    ->seenWithout($cones)
                                    ->difference($steps[$i - 1]->seenWithout($cones)),
                                ['red', 'green', 'blue'],
                            ),
                        ),
                    );
                }
            }
            self::assertGreaterThanOrEqual(30.0, $steps[0]->difference($steps[6]));
        }
    }

    private static function scene(DataInMemory $data): Scene
    {
        return (new LinesComposer(self::measure()))->compose(
            Lineup::of(Comparison::of(Study::first('S', 'flow', $data), $data)),
            900,
            400,
        );
    }

    /** @return list<Stroke> */
    private static function strokes(Scene $scene, string $line): array
    {
        foreach ($scene->marks as $mark) {
            if ($mark instanceof Group && $mark->role === 'series' && $mark->facts['line'] === $line) {
                return array_values(array_filter($mark->marks, static fn(Mark $m): bool => $m instanceof Stroke));
            }
        }

        return [];
    }

    /**
     * @param list<Mark> $marks
     * @return list<Mark>
     */
    private static function flat(array $marks, string $role): array
    {
        $found = [];
        foreach ($marks as $mark) {
            if ($mark instanceof Group && $mark->role === $role) {
                array_push($found, ...$mark->marks);
            }
        }

        return $found;
    }

    private static function measure(): SquareLetters
    {
        return new SquareLetters();
    }
}
