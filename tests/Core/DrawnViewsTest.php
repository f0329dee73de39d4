<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Area;
use DuskRail\Chart\Box;
use DuskRail\Chart\Dot;
use DuskRail\Chart\Group;
use DuskRail\Chart\Ink;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\LinesInPanel;
use DuskRail\Chart\Mark;
use DuskRail\Chart\Placed;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\PointMarks;
use DuskRail\Chart\Scale;
use DuskRail\Chart\Scene;
use DuskRail\Chart\SparkCell;
use DuskRail\Chart\StackComposer;
use DuskRail\Chart\Stroke;
use DuskRail\Chart\TimeTick;
use DuskRail\Chart\TimeTicks;
use DuskRail\Chart\Type;
use DuskRail\Chart\Words;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\LineState;
use DuskRail\Document\PartCatalogue;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\OverlayPart;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\PointsPart;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Document\Parts\StackPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Facet;
use DuskRail\Outcome\Facets;
use DuskRail\Outcome\Layer;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\OtherOrder;
use DuskRail\Outcome\Stacked;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Time\Cycle;
use DuskRail\Time\CycleAxis;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Views\Views;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Where the marks of the views are, against values calculated by hand, and which settings are refused. */
final class DrawnViewsTest extends TestCase
{
    /** Lines of the grid at values, at times, at both or at neither, dashed where that is wanted. */
    #[TestWith(['across', true, false])]
    #[TestWith(['along', false, true])]
    #[TestWith(['both', true, true])]
    #[TestWith(['none', false, false])]
    public function testTheGridIsAsItIsWanted(string $grid, bool $across, bool $along): void
    {
        $series = ['home' => range(5, 40), 'a' => range(9, 44)];
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2022-01', $series]]);
        $study = Make::study($data)->withPart(AxisPart::from(['grid' => $grid, 'dashed' => true]));
        $scene = (new LinesComposer(new SquareLetters()))->compose(
            Lineup::of(Comparison::of($study, $data)),
            900.0,
            400.0,
        );
        $flat = $steep = 0;
        foreach ($scene->marks as $group) {
            foreach ($group instanceof Group ? $group->marks : [] as $mark) {
                $isOfGrid = $mark instanceof Stroke && $mark->dash !== [] && $mark->ink === Ink::Hair;
                foreach ($isOfGrid ? $mark->pieces : [] as [$left, $top, $right, $bottom]) {
                    $flat += $top === $bottom && $right - $left > 500.0 ? 1 : 0;
                    $steep += $left === $right && $bottom - $top > 300.0 ? 1 : 0;
                }
            }
        }
        self::assertSame([$across, $along], [$flat > 2, $steep > 2]);
    }

    /** On random stacks: values are in their layers, and a point says its share and its sum with those below. */
    public function testValuesOfAStackAreInTheirLayersAndAPointSaysWhatItIsDrawnAt(): void
    {
        mt_srand(31);
        for ($n = 0; $n < 40; $n++) {
            $series = [];
            foreach (['home', 'a', 'b', 'c'] as $key) {
                $series[$key] = array_map(static fn(): float => (float) mt_rand(5, 900), range(1, 9));
            }
            $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2023-01', $series]]);
            $part = StackPart::from(['order' => 'name', 'values' => 'fit', 'total' => true]);
            $comparison = Comparison::of(Make::study($data)->withView('stack')->withPart($part), $data);
            $lineup = Make::lineup($comparison);
            $scene = (new StackComposer(new SquareLetters()))->compose($lineup, 1000.0, 500.0);
            $plot = $scene->plot;
            self::assertNotNull($plot);
            $written = 0;
            foreach ($scene->marks as $group) {
                if (!($group instanceof Group) || $group->role !== 'layer-value') {
                    continue;
                }
                [$words] = $group->marks;
                self::assertInstanceOf(Words::class, $words);
                $text = implode('', array_column($words->runs, 'text'));
                $middle = $words->x + (new SquareLetters())->width($text, Type::text(12, 700)) / 2;
                $at = (int) round(($middle - $plot->x(0)) / $plot->step());
                // The first and the last are moved into the plot.
                $near = array_intersect([$at, $at - 1, $at + 1], array_keys($series['home']));
                $values = [];
                foreach ($near as $i) {
                    $values[] = (string) array_sum(array_column($series, $i));
                    array_push($values, ...array_map(strval(...), array_column($series, $i)));
                }
                self::assertContains(str_replace(',', '', $text), $values);
                $written++;
            }
            self::assertGreaterThan(9, $written);
            $order = ['a', 'b', 'c', 'home'];
            $line = $order[mt_rand(0, 3)];
            $told = Views::of($comparison->study)->readout($comparison, $line)['points'] ?? [];
            foreach ($series[$line] as $i => $value) {
                $total = array_sum(array_column($series, $i));
                $below = 0.0;
                foreach (array_slice($order, 0, 1 + (int) array_search($line, $order, true)) as $key) {
                    $below += $series[$key][$i];
                }
                $expected = number_format((100.0 * $value) / $total, 0) . ' % of ' . number_format($total);
                $expected .= $line === 'a' ? '' : ' · ' . number_format($below) . ' with those below';
                self::assertStringStartsWith($expected, $told[$i][2]);
            }
        }
    }

    /** On random lines with gaps, ties and values of a period that goes on: each mark is where a look would put it. */
    public function testMarksAreAtTheFirstTheHighestAndTheLowestValue(): void
    {
        mt_srand(29);
        for ($n = 0; $n < 400; $n++) {
            $count = mt_rand(1, 12);
            $value = static fn(): float => mt_rand(0, 4) === 0 ? NAN : (float) mt_rand(-3, 6);
            $values = array_map($value, range(1, $count));
            $from = mt_rand(0, $count - 1);
            $to = mt_rand($from, $count - 1);
            $open = mt_rand(0, 2) === 0 ? mt_rand(0, $count) : null;
            $shown = array_filter(
                array_slice($values, $from, $to - $from + 1, true),
                static fn(float $v): bool => !is_nan($v),
            );
            $finished = array_filter(
                $shown,
                static fn(int $i): bool => $open === null || $i < $open,
                ARRAY_FILTER_USE_KEY,
            );
            $compared = $finished ?: $shown;
            [$low, $high] = $compared === [] ? [0.0, 0.0] : [min($compared), max($compared)];
            $expected = array_filter([
                'negative' => array_keys(array_filter($shown, static fn(float $v): bool => $v < 0.0)),
                'first' => array_slice(array_keys($shown), 0, 1),
                'lowest' => $low === $high ? [] : array_keys($compared, $low, true),
                'highest' => $low === $high ? [] : array_keys($compared, $high, true),
            ]);
            $plot = new PlotArea(0.0, 10.0 * max(1, $to - $from), 0.0, 100.0, $from, $to);
            $groups = (new PointMarks(new PointsPart(colours: 'apart'), array_keys($expected)))->of(
                $values,
                $plot,
                new Scale(-5.0, 8.0, 100.0, 0.0),
                Ink::Focus1,
                4.0,
                $open,
            );
            $found = [];
            foreach ($groups as $group) {
                foreach ($group->marks as $mark) {
                    $x = match (true) {
                        $mark instanceof Dot => $mark->x,
                        $mark instanceof Area => $mark->pieces[0][0],
                        $mark instanceof Box => $mark->x + $mark->width / 2,
                        default => NAN,
                    };
                    foreach (range($from, $to) as $i) {
                        if (abs($plot->x($i) - $x) < 1e-6) {
                            $found[$group->facts['kind']][$i] = $i;
                        }
                    }
                }
            }
            self::assertEquals($expected, array_map(array_values(...), $found));
        }
    }

    public function testASplitByLineWaitsForAnotherViewWhileAScatterIsShown(): void
    {
        $data = Make::leakage();
        $split = Study::first('Study', 'leakage', $data)->withPart(PanelsPart::from(['by' => 'entity']));
        $scatter = $split->withView('scatter');
        self::assertSame([true, false], [Views::of($split)->isSplit($split), Views::of($scatter)->isSplit($scatter)]);
        // The button splits it by what it can be split by, and the next time no more.
        $panels = Changes::read('panels', []);
        $once = $panels->apply($scatter, $data);
        self::assertSame('group', $once->part(PanelsPart::class)->by);
        self::assertSame('none', $panels->apply($once, $data)->part(PanelsPart::class)->by);
    }

    public function testStepsHoldEachValueUntilTheNextAndSmoothLinesMeetTheirPoints(): void
    {
        [$stroke, $plot, $scale] = self::drawn(['course' => 'steps']);
        $x = static fn(int $i): float => $plot->x($i);
        $y = array_map($scale->at(...), [10.0, 30.0, 20.0]);
        self::assertEqualsWithDelta(
            [$x(0), $y[0], $x(1), $y[0], $x(1), $y[1], $x(2), $y[1], $x(2), $y[2]],
            $stroke->pieces[0],
            1e-9,
        );
        [$smooth, $plot, $scale] = self::drawn(['course' => 'smooth']);
        self::assertCount(2 * 17, $smooth->pieces[0]);
        self::assertEqualsWithDelta([$plot->x(1), $scale->at(30.0)], array_slice($smooth->pieces[0], 16, 2), 1e-9);
    }

    public function testTheAreaUnderALineReachesDownToZero(): void
    {
        $scene = self::scene(['area' => '1']);
        $area = self::named($scene, 'series', 'home')->marks[0];
        self::assertInstanceOf(Area::class, $area);
        self::assertNotNull($scene->plot);
        self::assertNotNull($scene->scale);
        $floor = $scene->scale->at(0.0);
        self::assertSame([$scene->plot->right, $floor, $scene->plot->left, $floor], array_slice($area->pieces[0], -4));
    }

    public function testALineIsLitFromAPeriodOnOrWhileItIsAboveThePeers(): void
    {
        self::assertSame([2], self::lit(['lit' => 'from', 'litAt' => '2021']));
        self::assertSame([1], self::lit(['lit' => 'above', 'litAt' => '25']));
        self::assertSame([1, 1], self::lit(['lit' => 'below', 'litAt' => '25']));
        // The peers' median is 12, 14 and 25.
        self::assertSame([1], self::lit(['lit' => 'above']));
    }

    public function testOneLineHasItsOwnWidthDashAndMarker(): void
    {
        $scene = self::scene(['own' => ['home' => ['width' => 'heavy', 'dash' => 'dotted', 'marker' => 'diamonds']]]);
        $marks = self::named($scene, 'series', 'home')->marks;
        $strokes = array_values(array_filter($marks, static fn(Mark $m): bool => $m instanceof Stroke));
        self::assertInstanceOf(Stroke::class, $strokes[1] ?? null);
        self::assertSame([4.5, [0.5, 5.0]], [$strokes[1]->width, $strokes[1]->dash]);
        self::assertCount(3, array_filter($marks, static fn(Mark $m): bool => $m instanceof Area));
    }

    public function testLimitsOfTheAxisHoldWhereTheyWereSetAndBothAxesStandBesideEachOther(): void
    {
        $data = self::data();
        $low = static function (Study $study) use ($data): float {
            return (new LinesComposer(new SquareLetters()))->compose(
                Lineup::of(Comparison::of($study, $data)),
                900,
                400,
            )->scale->low ?? NAN;
        };
        $study = Make::study($data);
        self::assertSame(
            [15.0, 0.0],
            [
                $low($study->withPart(new AxisPart('cut', false, 15.0, null, 'lines'))),
                $low($study->withPart(new AxisPart('cut', false, 15.0, null, 'overlay'))),
            ],
        );
        $scene = (new LinesComposer(new SquareLetters()))->compose(
            Lineup::of(Comparison::of($study->withPart(new AxisPart('both')), $data)),
            900,
            400,
        );
        $beside = array_values(
            array_filter($scene->marks, static fn(Mark $m): bool => $m instanceof Group && $m->role === 'beside'),
        );
        self::assertInstanceOf(Group::class, $beside[0] ?? null);
        self::assertInstanceOf(Placed::class, $beside[0]->marks[0]);
        self::assertCount(
            1,
            array_filter(
                $beside[0]->marks[0]->marks,
                static fn(Mark $m): bool => $m instanceof Group &&
                    ($m->facts['line'] ?? '') === 'home' &&
                    $m->role === 'series',
            ),
        );
    }

    public function testLayersLieOnEachOtherFromZeroInTheOrderThatIsWished(): void
    {
        $data = self::data();
        $order = static fn(array $part): array => array_map(
            static fn(Layer $l): string => $l->line->key,
            Stacked::of(
                Lineup::of(
                    Comparison::of(Make::study($data)->withPart(PartCatalogue::named('stack')::from($part)), $data),
                ),
            )->layers,
        );
        self::assertSame(['b', 'home', 'a'], $order([]));
        self::assertSame(['a', 'b', 'home'], $order(['order' => 'name']));
        self::assertSame(['b', 'a', 'home'], $order(['order' => 'hand', 'hand' => 'b,a']));
        // Home is apart because it is in focus, however few do.
        self::assertSame(['b', 'home'], array_slice($order(['top' => '1']), 0, 2));
        $study = Make::study($data)->withView('stack');
        $scene = (new StackComposer(new SquareLetters()))->compose(Lineup::of(Comparison::of($study, $data)), 900, 400);
        self::assertNotNull($scene->scale);
        self::assertSame(0.0, $scene->scale->low);
        $area = self::named($scene, 'series', 'home')->marks[0];
        self::assertInstanceOf(Area::class, $area);
        // On 14, 18 and 30 are 10, 30 and 20: from left to right on top, and back below.
        self::assertEqualsWithDelta(
            array_map($scene->scale->at(...), [24.0, 48.0, 50.0, 30.0, 18.0, 14.0]),
            array_map(static fn(int $i): float => $area->pieces[0][2 * $i + 1], range(0, 5)),
            1e-9,
        );
    }

    public function testASparkMarksWhatIsWishedAndColumnsRiseAndFallFromZero(): void
    {
        $line = new Line('a', 'A', 'Hill', LineState::Peer, 0, [2.0, -1.0, NAN, 3.0, 1.0], 4, 4);
        $dots = static function (array $points) use ($line): array {
            $cell = new SparkCell(SparksPart::from(['points' => $points]), new PointsPart(), 0, 4, null);
            $at = [];
            foreach ($cell->marks($line, 48.0, 24.0) as $mark) {
                foreach ($mark instanceof Group ? $mark->marks : [$mark] as $shape) {
                    $at[] = match (true) {
                        $shape instanceof Dot => $shape->x,
                        $shape instanceof Area => $shape->pieces[0][0],
                        $shape instanceof Box => $shape->x + $shape->width / 2,
                        default => null,
                    };
                }
            }
            $at = array_unique(array_filter($at, is_float(...)));
            sort($at);

            return $at;
        };
        // Ten pixels from one to the next, four at the edge.
        self::assertSame([14.0, 34.0], $dots(['highest', 'lowest']));
        self::assertSame([4.0, 44.0], $dots(['first', 'last']));
        self::assertSame([14.0], $dots(['negative']));
        self::assertCount(4, $dots(['all']));
        $boxes = static fn(array $part): array => array_map(
            static fn(Box $b): array => [$b->y, $b->height, $b->ink],
            array_values(
                array_filter(
                    (new SparkCell(SparksPart::from($part), new PointsPart(), 0, 4, null))->marks($line, 48.0, 24.0),
                    static fn(Mark $m): bool => $m instanceof Box,
                ),
            ),
        );
        // From −1 to 3 over sixteen pixels: zero is at 16, and four pixels are one.
        self::assertSame(
            [[8.0, 8.0, Ink::Peer], [16.0, 4.0, Ink::Warn], [4.0, 12.0, Ink::Text], [12.0, 4.0, Ink::Text]],
            $boxes(['form' => 'columns']),
        );
        self::assertSame([8.0, 8.0, 8.0, 8.0], array_column($boxes(['form' => 'signs']), 1));
        self::assertSame(
            [8.0, 8.0, 8.0, 8.0],
            array_column($boxes(['form' => 'line', 'forms' => ['g:Hill' => 'signs']]), 1),
        );
    }

    /** @param list<string> $expected */
    #[TestWith([
        Cycle::Year,
        Frequency::Day,
        900.0,
        [
            '1 Jan',
            '1 Feb',
            '1 Mar',
            '1 Apr',
            '1 May',
            '1 Jun',
            '1 Jul',
            '1 Aug',
            '1 Sep',
            '1 Oct',
            '1 Nov',
            '1 Dec',
        ],
    ])]
    #[TestWith([Cycle::Year, Frequency::Day, 220.0, ['1 Jan', '1 Jul']])]
    #[TestWith([
        Cycle::Year,
        Frequency::Month,
        700.0,
        ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'],
    ])]
    #[TestWith([Cycle::Week, Frequency::Day, 400.0, ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']])]
    public function testPlacesWithinAYearAreDatesAndNeverNumbers(
        Cycle $cycle,
        Frequency $frequency,
        float $width,
        array $expected,
    ): void {
        $axis = CycleAxis::of($cycle, $frequency);
        $ticks = TimeTicks::along(
            $axis,
            0,
            $axis->count - 1,
            $width / ($axis->count - 1),
            static fn(string $text): float => 7.0 * strlen($text),
        );
        self::assertSame($expected, array_map(static fn(TimeTick $t): string => $t->label, $ticks));
    }

    /** What another order would give is what the rail gives when its stops change places. */
    public function testAnotherOrderIsSaidWithWhatItWouldComeTo(): void
    {
        $data = Make::leakage();
        $study = Make::study(
            $data,
            StopCatalogue::make('rolling', ['window' => 12]),
            StopCatalogue::make('index', ['base' => '2020']),
        );
        $comparison = Comparison::of($study, $data);
        $line = $comparison->line('home');
        self::assertNotNull($line);
        [$before] = OtherOrder::of($comparison, 's2', $line);
        self::assertSame(
            [true, '12-month mean', true, ''],
            [$before->earlier, $before->neighbour, $before->differs, $before->refusal],
        );
        $swapped = Comparison::of($study->withRail($study->rail->moving('s2', -1)), $data)->line('home');
        self::assertSame($swapped?->latest(), $before->at($line->last));
        // A change in per cent does not care on what base the index was; dividing after an index is not possible.
        $changed = Comparison::of($study->withRail($study->rail->with(StopCatalogue::make('change', []))), $data);
        $home = $changed->line('home');
        self::assertNotNull($home);
        self::assertFalse(OtherOrder::of($changed, 's2', $home)[0]->differs);
        // Two means change places without a difference, be the values above or below zero.
        foreach ([1.0, -1.0] as $sign) {
            $values = array_map(static fn(int $i): float => $sign * (7.0 + sin($i)), range(1, 60));
            $level = Make::data(['level' => ['°C', MeasureKind::Stock, '2018-01', ['home' => $values]]]);
            $means = Comparison::of(
                Make::study(
                    $level,
                    StopCatalogue::make('rolling', ['window' => 12]),
                    StopCatalogue::make('rolling', ['window' => 3]),
                ),
                $level,
            );
            $line = $means->line('home') ?? self::fail();
            self::assertFalse(OtherOrder::of($means, 's2', $line)[0]->differs);
        }
        $divided = Comparison::of(
            Make::study(
                $data,
                StopCatalogue::make('per-denominator', ['measure' => 'connections']),
                StopCatalogue::make('index', ['base' => '2020']),
            ),
            $data,
        );
        self::assertStringContainsString('Move this stop earlier', OtherOrder::of($divided, 's1', $home)[0]->refusal);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function wrongSettings(): iterable
    {
        yield 'limits the wrong way round' => [
            'axis',
            ['low' => '5', 'high' => '2'],
            'the lower limit must be below the upper one',
        ];
        yield 'zero on a logarithmic axis' => [
            'axis',
            ['log' => '1', 'low' => '0'],
            'a logarithmic axis needs limits above zero',
        ];
        yield 'a limit that is no number' => [
            'axis',
            ['high' => 'tall'],
            '“high” must be a number, for example 45.5, or empty',
        ];
        yield 'a line too wide' => ['look', ['width' => '40'], 'a line can be 1 to 8 pixels wide'];
        yield 'a marker of an unknown shape' => ['look', ['own' => ['a' => ['marker' => 'stars']]], '“marker” can be '];
        yield 'a period that is none' => ['look', ['lit' => 'from', 'litAt' => 'then'], '“then” is not a period'];
        yield 'a month that is none' => ['overlay', ['start' => '13'], '“start” is 13; it can be from 1 to 12'];
        yield 'a split that is none' => ['panels', ['by' => 'colour'], '“by” can be none, entity'];
        yield 'points that are none' => [
            'sparks',
            ['points' => ['middle']],
            'the points that can be marked are highest',
        ];
        yield 'a form that is none' => ['sparks', ['forms' => ['a' => 'pie']], 'a row can be a line'];
        yield 'a rail that is none' => [
            'scatter',
            ['rail' => [['id' => 's1', 'stop' => 'magic']]],
            'rail.0: There is no stop “magic”',
        ];
        yield 'a flag that is none' => ['figures', ['shaded' => 'perhaps'], '“shaded” can be true or false'];
        yield 'too many by a rule' => ['rule', ['by' => 'top', 'count' => '7'], '“count” is 7; it can be from 1 to 6'];
        yield 'a list that is none' => ['lines', ['groups' => 7], '“groups” must be a list of texts'];
    }

    /** @param array<string, mixed> $settings */
    #[DataProvider('wrongSettings')]
    public function testSettingsThatCannotBeAreRefusedInWords(string $part, array $settings, string $said): void
    {
        try {
            PartCatalogue::named($part)::from($settings);
            self::fail('It was accepted.');
        } catch (\DomainException $problem) {
            self::assertStringContainsString($said, $problem->getMessage());
            self::assertTrue(
                $problem instanceof InvalidSetting ||
                    str_contains($problem->getMessage(), 'period') ||
                    str_contains($problem->getMessage(), 'rail.0'),
            );
        }
    }

    public function testEveryPartReadsBackFromWhatItWrites(): void
    {
        foreach (
            [
                'axis' => [
                    'start' => 'both',
                    'log' => true,
                    'low' => 1.5,
                    'high' => 9.0,
                    'view' => 'lines',
                    'grid' => 'both',
                    'dashed' => true,
                ],
                'look' => [
                    'course' => 'steps',
                    'area' => true,
                    'width' => 2.0,
                    'points' => true,
                    'lit' => 'from',
                    'litAt' => '2020',
                    'own' => ['a' => ['width' => 'fine', 'dash' => '', 'marker' => 'rings']],
                    'last' => 'triangle',
                    'lastSize' => 'small',
                    'gaps' => 'hair',
                ],
                'labels' => [
                    'named' => 'fit',
                    'end' => 'name',
                    'points' => ['last'],
                    'more' => 5,
                    'side' => 'left',
                    'backed' => true,
                    'own' => ['a' => ['end' => 'none', 'points' => 'four']],
                    'placed' => ['a@end' => ['x' => -4.5, 'y' => 8.0]],
                ],
                'tone' => ['by' => 'change', 'scale' => 'about', 'middle' => 4.0],
                'text' => ['size' => 'small'],
                'overlay' => ['cycle' => 'week', 'start' => 7, 'band' => true, 'coloured' => 'chosen'],
                'stack' => [
                    'form' => 'shares',
                    'order' => 'hand',
                    'top' => 3,
                    'hand' => ['a', 'b'],
                    'incomplete' => 'same',
                    'values' => 'fit',
                    'total' => true,
                ],
                'rule' => ['by' => 'past', 'of' => 'slope', 'count' => 2, 'value' => 4.5, 'group' => 'Hill'],
                'figures' => ['down' => 'years', 'shaded' => true, 'sort' => 'a', 'downward' => false],
                'sparks' => [
                    'form' => 'signs',
                    'scale' => 'common',
                    'points' => [],
                    'sort' => 'trend',
                    'downward' => true,
                    'grouped' => false,
                    'contributions' => true,
                    'forms' => ['a' => 'line'],
                ],
                'event' => [
                    'event' => 'Veldmere 2019; 2021-Q3',
                    'called' => 'a new law',
                    'with' => 'is:Size=large',
                    'without' => 'group:Hill',
                    'span' => 24,
                    'start' => 'after',
                    'transition' => 3,
                    'change' => 'percent',
                    'band' => 'none',
                ],
            ] as $name => $settings
        ) {
            self::assertEquals($settings, PartCatalogue::named($name)::from($settings)->settings(), $name);
        }
    }

    /**
     * @param array<string, mixed> $look
     * @return list<int> how many points the coloured pieces of the line in focus have
     */
    private static function lit(array $look): array
    {
        foreach (self::named(self::scene($look), 'series', 'home')->marks as $mark) {
            $stroke = $mark instanceof Group && $mark->role === 'lit-part' ? $mark->marks[0] : null;
            if ($stroke instanceof Stroke) {
                return array_map(static fn(array $piece): int => intdiv(count($piece), 2), $stroke->pieces);
            }
        }
        self::fail('Nothing is lit.');
    }

    private static function data(): DataInMemory
    {
        return Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Stock,
                '2020',
                ['home' => [10, 30, 20], 'a' => [10, 10, 20], 'b' => [14, 18, 30]],
            ],
        ]);
    }

    /** @param array<string, mixed> $look */
    private static function scene(array $look): Scene
    {
        $data = self::data();

        return Make::picture(Comparison::of(Make::study($data)->withPart(LookPart::from($look)), $data));
    }

    /**
     * @param array<string, mixed> $look
     * @return array{Stroke, PlotArea, Scale} the line in focus
     */
    private static function drawn(array $look): array
    {
        $scene = self::scene($look);
        $stroke = self::named($scene, 'series', 'home')->marks[1];
        self::assertInstanceOf(Stroke::class, $stroke);
        self::assertNotNull($scene->plot);
        self::assertNotNull($scene->scale);

        return [$stroke, $scene->plot, $scene->scale];
    }

    /** An area is drawn where it can be read by its size, and said where not; panels of one span can be logarithmic. */
    public function testWhatIsSaidOfAnAxisIsWhatIsDrawn(): void
    {
        mt_srand(11);
        $drawn = $said = 0;
        for ($round = 0; $round < 60; $round++) {
            $base = [10, 800, -900][mt_rand(0, 2)];
            $row = static fn(): array => array_map(static fn(): int => $base + mt_rand(0, 60), range(0, 5));
            $rows = ['home' => $row(), 'a' => $row(), 'b' => $row()];
            $data = Make::data(['m' => ['', MeasureKind::Stock, '2019', $rows]]);
            $study = Make::study($data)
                ->withPart(LookPart::from(['area' => true]))
                ->withPart(
                    AxisPart::from([
                        'start' => ['cut', 'zero'][mt_rand(0, 1)],
                        'log' => $base > 0 && mt_rand(0, 2) === 0,
                        'low' => $base === 10 && mt_rand(0, 3) === 0 ? 5.0 : null,
                        'view' => 'lines',
                    ]),
                );
            $comparison = Comparison::of($study, $data);
            $areas = 0;
            foreach (Make::picture($comparison)->marks as $mark) {
                foreach ($mark instanceof Group && $mark->role === 'series' ? $mark->marks : [] as $one) {
                    $areas += $one instanceof Area ? 1 : 0;
                }
            }
            $isSaid = array_filter(
                Signals::of($comparison),
                static fn(Notice $n): bool => $n->id === 'area-without-zero',
            );
            self::assertSame($areas === 0, $isSaid !== []);
            $areas === 0 ? $said++ : $drawn++;
        }
        self::assertGreaterThan(10, min($said, $drawn));

        $rows = ['home' => [1, 10], 'a' => [500, 800], 'b' => [0, 7]];
        $data = Make::data(['m' => ['', MeasureKind::Stock, '2019', $rows]]);
        $study = Make::study($data)
            ->withPart(PanelsPart::from(['by' => 'entity', 'scale' => 'span']))
            ->withPart(AxisPart::from(['log' => true]));
        $comparison = Comparison::of($study, $data);
        $content = new LinesInPanel(false);
        $scales = array_map(
            static fn(Facet $f): Scale => $content->scale($f, null, 1.62, $study->part(AxisPart::class)),
            Facets::of($comparison),
        );
        self::assertSame([true, true, true], array_column($scales, 'log'));
        foreach ($scales as $scale) {
            self::assertEqualsWithDelta(3.24, log10($scale->high / $scale->low), 1e-9);
        }
    }

    /** Over each other in panels, one year is the latest in all; who ended before says of which year its line is. */
    public function testPanelsOfYearsOverEachOtherHaveOneLatestYear(): void
    {
        $months = array_map(floatval(...), range(1, 36));
        $short = [...array_slice($months, 0, 12), ...array_fill(0, 24, null)];
        $data = Make::data(['m' => ['', MeasureKind::Stock, '2021-01', ['home' => $months, 'mellin' => $short]]]);
        $study = Make::study($data)->withView('overlay')->withPart(PanelsPart::from(['by' => 'entity']));
        $facets = array_map(
            static fn(Facet $facet): array => [
                $facet->name,
                array_map(
                    static fn(Line $l): array => [$l->name, $l->state === LineState::Focus, $l->dashed],
                    $facet->lineup->lines,
                ),
            ],
            Facets::of(Comparison::of($study, $data), true),
        );
        self::assertSame(
            [
                ['Home', [['2023', true, false], ['2022', true, true], ['2021', false, false]]],
                ['Mellin, 2021', [['2021', false, false]]],
            ],
            $facets,
        );
    }

    /** Years beside each other have one scale of time; the leap day is of as many years as its neighbours. */
    public function testYearsHaveOneScaleOfTimeAndTheirMedianNoSpikeOnTheLeapDay(): void
    {
        $months = array_map(static fn(int $i): float => 10.0 + $i, range(0, 30));
        $data = Make::data(['m' => ['', MeasureKind::Stock, '2021-04', ['home' => $months]]]);
        $study = Make::study($data)->withPart(PanelsPart::from(['by' => 'year']));
        $panels = [];
        foreach (Views::of($study)->panels(Comparison::of($study, $data), new SquareLetters(), 900.0, 400.0) as $row) {
            foreach ($row->marks as $placed) {
                $group = $placed instanceof Placed ? $placed->marks[0] : null;
                if ($group instanceof Group) {
                    $panels[] = [$group->facts['name'], $group->facts['step'], $group->facts['before'] ?? '0'];
                }
            }
        }
        $step = $panels[0][1];
        self::assertSame([['2021', $step, '3'], ['2022', $step, '0'], ['2023', $step, '0']], $panels);

        $days = [];
        for ($day = Period::day(2019, 1, 1); $day->code() <= '2024-12-31'; $day = $day->plus(1)) {
            $days[] = 100.0 + (int) substr($day->code(), 2, 2);
        }
        $data = Make::data(['m' => ['', MeasureKind::Stock, '2019-01-01', ['home' => $days]]]);
        $study = Make::study($data)->withView('overlay')->withPart(OverlayPart::from(['band' => true]));
        $lineup = Make::lineup(Comparison::of($study, $data));
        // 2019 to 2023: each day is 119 to 123, and so is the one that 2020 alone has.
        self::assertSame([121.0], array_values(array_unique($lineup->summary->line)));
        self::assertCount(366, $lineup->summary->line);
    }

    private static function named(Scene $scene, string $role, string $line): Group
    {
        foreach ($scene->marks as $mark) {
            if ($mark instanceof Group && $mark->role === $role && ($mark->facts['line'] ?? '') === $line) {
                return $mark;
            }
        }
        self::fail("There is no {$role} of {$line}.");
    }
}
