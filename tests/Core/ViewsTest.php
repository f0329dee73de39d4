<?php

declare(strict_types=1);

namespace Tests\Core;

use App\Drawing\Svg;
use Brick\Math\BigRational;
use DuskRail\Chart\Area;
use DuskRail\Chart\Curve;
use DuskRail\Chart\Group;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\Mark;
use DuskRail\Chart\Placed;
use DuskRail\Chart\Scale;
use DuskRail\Chart\ScatterComposer;
use DuskRail\Chart\Scene;
use DuskRail\Chart\Stroke;
use DuskRail\Chart\Ticks;
use DuskRail\Chart\Words;
use DuskRail\Data\Better;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\LineState;
use DuskRail\Document\PartCatalogue;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\RulePart;
use DuskRail\Document\Parts\StackPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\Facets;
use DuskRail\Outcome\Grid;
use DuskRail\Outcome\GridHead;
use DuskRail\Outcome\Layer;
use DuskRail\Outcome\LeftOut;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Overlay;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\SparkTable;
use DuskRail\Outcome\Stacked;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Signals\FlatteningValues;
use DuskRail\Time\Calendar;
use DuskRail\Time\Cycle;
use DuskRail\Time\CycleAxis;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;
use DuskRail\Views\Views;
use PHPUnit\Framework\Attributes\Group as TestGroup;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What each view makes of a comparison: which lines, which values, and where they are. */
final class ViewsTest extends TestCase
{
    /**
     * ISO 8601 and the Gregorian calendar: every day of a century has one place in its year, and that place leads back
     * to it.
     */
    #[TestWith([1])]
    #[TestWith([2])]
    #[TestWith([4])]
    #[TestWith([10])]
    #[TestGroup('slow')]
    public function testEveryDayHasAPlaceInItsYearWithTheTwentyNinthOfFebruaryAmongThem(int $start): void
    {
        $axis = CycleAxis::of(Cycle::Year, Frequency::Day, $start);
        self::assertSame(366, $axis->count);
        $places = [];
        for ($day = Calendar::dayNumber(1970, 1, 1), $end = Calendar::dayNumber(2070, 12, 31); $day <= $end; $day++) {
            [$turn, $place] = $axis->place(Period::at(Frequency::Day, $day));
            self::assertSame($day, $axis->period($turn, $place)?->ordinal);
            $places[$place] = true;
        }
        ksort($places);
        self::assertSame(range(0, 365), array_keys($places));
        // The same date is the same place in every year, leap or not.
        foreach ([2023, 2024, 2025] as $year) {
            self::assertSame($axis->place(Period::day(2020, 12, 24))[1], $axis->place(Period::day($year, 12, 24))[1]);
        }
        $leap = $axis->place(Period::day(2024, 2, 29))[1];
        self::assertSame('29 Feb', $axis->placeLabel($leap));
        self::assertNull($axis->period($start > 2 ? 2022 : 2023, $leap));
    }

    public function testWeek53IsAPlaceOfItsOwnThatMostYearsLack(): void
    {
        $axis = CycleAxis::of(Cycle::Year, Frequency::Week);
        // ISO 8601: 2020 had 53 weeks, 2021 had 52; 1 January 2021 is in week 53 of 2020.
        self::assertSame([2020, 52], $axis->place(Period::week(2020, 53)));
        self::assertSame([2021, 0], $axis->place(Period::week(2021, 1)));
        self::assertNull($axis->period(2021, 52));
        self::assertSame(['1', '31'], array_map(CycleAxis::of(Cycle::Month, Frequency::Day)->placeLabel(...), [0, 30]));
        // Of years from July on, week 53 is between the weeks of two years; every week leads back to itself.
        self::assertSame(
            [2024 * 12 + 2, 14],
            CycleAxis::of(Cycle::Month, Frequency::Day)->place(Period::day(2024, 3, 15)),
        );
        $winter = CycleAxis::of(Cycle::Year, Frequency::Week, 7);
        self::assertSame(
            ['week 27', 'week 53', 'week 1', 'week 26', '2020/21'],
            [
                ...array_map($winter->placeLabel(...), [0, 26, 27, 52]),
                $winter->turnLabel($winter->place(Period::week(2021, 4))[0]),
            ],
        );
        self::assertNull($winter->period(2021, 26));
        for ($week = Period::week(1970, 1)->ordinal; $week <= Period::week(2070, 1)->ordinal; $week++) {
            self::assertSame($week, $winter->period(...$winter->place(Period::at(Frequency::Week, $week)))?->ordinal);
        }
        self::assertSame([2024, 0], CycleAxis::of(Cycle::Year, Frequency::Month, 4)->place(Period::month(2024, 4)));
        self::assertSame('2024/25', CycleAxis::of(Cycle::Year, Frequency::Month, 4)->turnLabel(2024));
        $this->expectExceptionMessage('starts within a quarter');
        CycleAxis::of(Cycle::Year, Frequency::Quarter, 2);
    }

    /** On random lines: a signal where few values are so far off that all others are within an eighth of the range. */
    public function testAFewValuesThatFlattenThePictureAreASignalAndALimitMarksThem(): void
    {
        mt_srand(37);
        $said = 0;
        for ($n = 0; $n < 300; $n++) {
            $series = [];
            foreach (['home', 'a', 'b', 'c'] as $key) {
                $series[$key] = array_map(static fn(): float => 100.0 + mt_rand(0, 400) / 10.0, range(1, 30));
            }
            $side = mt_rand(0, 1) === 0 ? 1.0 : -1.0;
            for ($far = mt_rand(0, 4); $far > 0; $far--) {
                $series[['home', 'a', 'b', 'c'][mt_rand(0, 3)]][mt_rand(0, 29)] = 100.0 + $side * mt_rand(100, 900);
            }
            $all = array_merge(...array_values($series));
            sort($all);
            $expected = 0;
            foreach ([1, 2] as $count) {
                foreach ([array_slice($all, 0, -$count), array_slice($all, $count)] as $rest) {
                    $range = ($rest[count($rest) - 1] ?? 0.0) - ($rest[0] ?? 0.0);
                    $isFlat = $all[count($all) - 1] - $all[0] > 8.0 * $range;
                    $expected = $expected === 0 && $isFlat ? $count : $expected;
                }
            }
            $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2021-01', $series]]);
            $study = Make::study($data);
            $notice = (new FlatteningValues())->notice(Comparison::of($study, $data));
            self::assertSame($expected === 0 ? null : "flattening-{$expected}", $notice?->id);
            if ($notice === null) {
                continue;
            }
            $said++;
            $limited = Changes::read('set', $notice->input)->apply($study, $data);
            self::assertNull((new FlatteningValues())->notice(Comparison::of($limited, $data)));
            $axis = $limited->part(AxisPart::class);
            $beyond = array_filter(
                $all,
                static fn(float $v): bool => $v > ($axis->high ?? INF) || $v < ($axis->low ?? -INF),
            );
            self::assertCount($expected, $beyond);
            $scene = (new LinesComposer(new SquareLetters()))->compose(
                Make::lineup(Comparison::of($limited, $data)),
                900.0,
                400.0,
            );
            $marks = [];
            foreach ($scene->marks as $group) {
                if ($group instanceof Group && $group->role === 'beyond-limits') {
                    $marks = array_filter($group->marks, static fn(Mark $m): bool => $m instanceof Area);
                }
            }
            self::assertCount($expected, $marks);
        }
        self::assertGreaterThan(80, $said);
    }

    /** The largest six groups have a hue each, by name; the lines of a seventh stay as they are. */
    public function testLinesAreColouredByTheirGroupAndGroupsThatBecomeLinesAreInFocus(): void
    {
        $measure = Make::measure('flow', 'Ml', MeasureKind::Flow, '2021-01');
        $entities = $series = [];
        foreach (['G' => 3, 'F' => 2, 'E' => 2, 'D' => 2, 'C' => 2, 'B' => 1, 'A' => 2] as $group => $size) {
            for ($n = 1; $n <= $size; $n++) {
                $key = strtolower("{$group}{$n}");
                $entities[] = new Entity($key, "{$group} {$n}", $group, $key === 'g1');
                $series[$key] = [1.0 * $n, 2.0, 3.0];
            }
        }
        $data = new DataInMemory([$measure], $entities, ['flow' => Make::table($measure, '2021-01', $series)]);
        $study = Make::study($data)->withPart(PartCatalogue::named('tone')::from(['by' => 'group']));
        $comparison = Comparison::of($study, $data);
        self::assertSame(['A' => 1, 'C' => 2, 'D' => 3, 'E' => 4, 'F' => 5, 'G' => 6], $comparison->tones?->groups);
        $inks = [];
        foreach ($comparison->lines as $line) {
            $inks[$line->group][$line->ink()] = true;
        }
        self::assertSame(
            'G focus-6, F focus-5, E focus-4, D focus-3, C focus-2, B , A focus-1',
            implode(', ', array_map(
                static fn(string $group, array $of): string => "{$group} " . implode(' ', array_keys($of)),
                array_keys($inks),
                $inks,
            )),
        );
        $groups = Changes::read('set', ['part' => 'lines', 'settings' => ['groups' => 'A,B,C,D,E,F,G']]);
        // Home is in focus before; there are hues for five more.
        self::assertSame(
            ['g1', 'g:A', 'g:B', 'g:C', 'g:D', 'g:E'],
            array_keys($groups->apply(Make::study($data), $data)->focus),
        );
    }

    public function testYearsOverEachOtherNewestSolidTheOneBeforeDashedOlderQuiet(): void
    {
        $values = array_map(static fn(int $i): float => 100 + $i, range(0, 41));
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2021-01', ['home' => $values, 'marl' => $values]]]);
        $study = Make::study($data)->withView('overlay');
        $lineup = Make::lineup(Comparison::of($study, $data));
        self::assertSame(
            ['2024', '2023', '2022', '2021'],
            array_map(static fn(Line $l): string => $l->name, $lineup->lines),
        );
        self::assertSame(
            [[1, false], [1, true], [0, false], [0, false]],
            array_map(static fn(Line $l): array => [$l->hue, $l->dashed], $lineup->lines),
        );
        self::assertSame(141.0, $lineup->lines[0]->latest());
        self::assertSame('in June 2024: 141, 12 above 2023 and above all 3 earlier ones', Overlay::distance($lineup));
        // The latest is taken out of the colour by a click: then those that were chosen have it, against all others.
        $chosen = $study->withState('y:2022', LineState::Focus);
        $chosen = Changes::read('state', ['entity' => 'y:2024', 'state' => 'peer'])->apply($chosen, $data);
        $others = Make::lineup(Comparison::of($chosen, $data));
        self::assertSame(
            ['2022'],
            array_map(static fn(Line $l): string => $l->name, $others->focus()),
        );
        self::assertSame('in December 2022: 123', Overlay::distance($others));
        // In fiscal years from April the same months belong to other years.
        $fiscal = Make::lineup(
            Comparison::of(
                $study->withPart(PartCatalogue::named('overlay')::from(['start' => 4, 'band' => true])),
                $data,
            ),
        );
        self::assertSame(
            ['2024/25', '2023/24', '2022/23', '2021/22', '2020/21'],
            array_map(static fn(Line $l): string => $l->name, $fiscal->lines),
        );
        self::assertSame([139.0, 140.0, 141.0], array_slice($fiscal->lines[0]->values, 0, 3));
        // April of the three earlier years that have one: 103, 115 and 127.
        self::assertSame(115.0, $fiscal->summary->line[0]);
        self::assertSame('Median 2020/21 – 2023/24', $fiscal->summary->name);
    }

    public function testALineIsNotBrokenWhereItsYearHasNoSuchDay(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2022-02-20',
                [
                    'home' => array_fill(0, 800, 5),
                    'marl' => array_map(static fn(int $i): ?float => $i === 3 ? null : 5.0, range(0, 799)),
                ],
            ],
        ]);
        $study = Make::study($data)->withView('overlay');
        $pieces = static function (string $of) use ($study, $data): int {
            $part = LinesPart::from(['of' => $of]);
            $scene = Make::picture(Comparison::of($study->withPart($part), $data));
            $stroke = self::parts($scene, 'series', 'y:2022')[0]->marks[0];
            self::assertInstanceOf(Stroke::class, $stroke);

            return count($stroke->pieces);
        };
        // February 2022 runs on to March; a value that is missing is a gap all the same.
        self::assertSame([1, 2], [$pieces('home'), $pieces('marl')]);
    }

    /**
     * Against exact fractions: the upper edges are the true sums, rounded once; shares are right to two units of the
     * last place and end on 100.
     */
    #[TestGroup('slow')]
    public function testStackedSumsAndSharesAreExact(): void
    {
        mt_srand(4);
        $series = [];
        for ($i = 0; $i < 16; $i++) {
            $series["s{$i}"] = array_map(
                static fn(): ?float => mt_rand(0, 11) === 0 ? null : (mt_rand() / 7) * 10 ** mt_rand(-9, 3),
                range(1, 20),
            );
        }
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2021-01', $series]]);
        foreach (['areas', 'shares'] as $form) {
            $part = StackPart::from(['form' => $form, 'top' => 0, 'incomplete' => 'there']);
            $study = Make::study($data)->withPart($part);
            $stacked = Stacked::of(Lineup::of(Comparison::of($study, $data)));
            self::assertCount(16, $stacked->layers);
            for ($i = 0; $i < 20; $i++) {
                $whole = self::exact(array_map(static fn(Layer $l): float => $l->line->values[$i], $stacked->layers));
                $sum = BigRational::zero();
                foreach ($stacked->layers as $layer) {
                    $sum = $sum->plus(self::exact([$layer->line->values[$i]]));
                    $exact =
                        $form === 'shares' ? $sum->dividedBy($whole)->multipliedBy(100)->toFloat() : $sum->toFloat();
                    self::assertEqualsWithDelta(
                        $exact,
                        $layer->upper[$i],
                        abs($exact) * ($form === 'shares' ? 4.5e-16 : 1.2e-16),
                    );
                }
                self::assertSame(
                    $form === 'shares' ? 100.0 : $stacked->totals[$i],
                    $stacked->layers[count($stacked->layers) - 1]->upper[$i],
                );
            }
        }
    }

    public function testTheLargestMakeWhatIsSaidAndWhatIsNoPartIsRefused(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2023',
                ['home' => [10, 10], 'a' => [40, 50], 'b' => [30, 20], 'c' => [15, 15], 'd' => [5, 5]],
            ],
        ]);
        $study = Make::study($data)->withView('stack');
        $stacked = Stacked::of(Lineup::of(Comparison::of($study, $data)));
        self::assertSame(
            ['a', 'b', 'c', 'home', 'd'],
            array_map(static fn(Layer $l): string => $l->line->key, $stacked->layers),
        );
        self::assertSame(85.0, $stacked->largest(3, 1));
        self::assertSame(
            'The largest three account for 85 % of the total in 2024',
            Make::wording(Comparison::of($study, $data), '')->headline,
        );
        $below = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2023', ['home' => [10, -2]]]]);
        foreach (
            [
                [$study, $below, 'negative in 2024'],
                [Make::study($data, StopCatalogue::make('index', ['base' => '2023'])), $data, 'cannot be summed'],
            ] as [$one, $of, $reason]
        ) {
            try {
                Stacked::of(Lineup::of(Comparison::of($one, $of)));
                self::fail('It was stacked.');
            } catch (InvalidStudy $problem) {
                self::assertStringContainsString($reason, $problem->getMessage());
            }
        }
    }

    /** Fritsch and Carlson (1980): between two points the curve stays within them, whatever the points are. */
    public function testASmoothCurveNeverLeavesTheRangeOfItsTwoPoints(): void
    {
        mt_srand(8);
        for ($round = 0; $round < 300; $round++) {
            $points = [];
            for ($i = 0, $x = 0.0, $count = mt_rand(3, 20); $i < $count; $i++) {
                array_push($points, $x, mt_rand(0, 3) === 0 ? 50.0 : (float) mt_rand(-1000, 1000));
                $x += mt_rand(1, 40);
            }
            $curve = Curve::through($points);
            for ($i = 0; $i < $count - 1; $i++) {
                [$low, $high] = [
                    min($points[2 * $i + 1], $points[2 * $i + 3]),
                    max($points[2 * $i + 1], $points[2 * $i + 3]),
                ];
                $last = null;
                for ($part = 0; $part <= Curve::PARTS; $part++) {
                    $y = $curve[2 * ($i * Curve::PARTS + $part) + 1];
                    self::assertTrue($y >= $low && $y <= $high);
                    // And it only goes one way.
                    self::assertTrue(
                        $last === null || ($y - $last) * ($points[2 * $i + 3] - $points[2 * $i + 1]) >= -1e-9,
                    );
                    $last = $y;
                }
                self::assertSame(
                    [$points[2 * $i], $points[2 * $i + 1]],
                    [$curve[2 * $i * Curve::PARTS], $curve[2 * $i * Curve::PARTS + 1]],
                );
            }
        }
    }

    public function testALogarithmicAxisGivesEqualRatiosEqualRoom(): void
    {
        $scale = new Scale(1.0, 1000.0, 300.0, 0.0, true);
        self::assertEqualsWithDelta(
            [300.0, 200.0, 100.0, 0.0],
            array_map($scale->at(...), [1.0, 10.0, 100.0, 1000.0]),
            1e-9,
        );
        self::assertNan($scale->at(0.0));
        self::assertEqualsWithDelta(50.0, $scale->value($scale->at(50.0)), 1e-9);
        $ticks = Ticks::on($scale, 9);
        self::assertSame(
            ['1', '2', '5', '10', '20', '50', '100', '200', '500', '1,000'],
            array_map($ticks->label(...), $ticks->values),
        );
        // Where decades are many, each second or third has its line.
        $many = Ticks::on(new Scale(1.0, 1e9, 300.0, 0.0, true), 4);
        self::assertSame(['1', '1,000', '1 million', '1 billion'], array_map($many->label(...), $many->values));
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020', ['home' => [1, 0, 100, 1000]]]]);
        $study = Make::study($data)->withPart(PartCatalogue::named('axis')::from(['log' => '1']));
        $scene = (new LinesComposer(new SquareLetters()))->compose(Lineup::of(Comparison::of($study, $data)), 600, 300);
        // Zero has no place on it: the line is open there.
        $stroke = self::parts($scene, 'series', 'home')[0]->marks[1];
        self::assertInstanceOf(Stroke::class, $stroke);
        self::assertCount(2, $stroke->pieces);
    }

    public function testPanelsShareOneScaleUnlessToldOtherwiseAndKeepTheirOrder(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Stock,
                '2020',
                ['home' => [1, 2, 3], 'a' => [90, 80, 100], 'b' => [50, 60, 40], 'c' => [10, 10, 10]],
            ],
        ]);
        $study = Make::study($data)->withPart(
            PartCatalogue::named('panels')::from(['by' => 'entity', 'order' => 'change']),
        );
        $ends = static function (Study $study) use ($data): array {
            $rows = Views::of($study)->panels(Comparison::of($study, $data), new SquareLetters(), 800);
            $ends = [];
            foreach ($rows as $row) {
                foreach ($row->marks as $mark) {
                    $panel = $mark instanceof Placed ? $mark->marks[0] : null;
                    if ($panel instanceof Group) {
                        $stroke = self::parts(
                            new Scene(1, 1, $panel->marks),
                            'series',
                            (string) $panel->facts['key'],
                        )[0]->marks[1];
                        self::assertInstanceOf(Stroke::class, $stroke);
                        $ends[$panel->facts['key']] = [
                            $stroke->pieces[0][5],
                            (float) $panel->facts['top'],
                            (float) $panel->facts['bottom'],
                        ];
                    }
                }
            }

            return $ends;
        };
        $same = $ends($study);
        self::assertSame(['a', 'home', 'c', 'b'], array_keys($same));
        // On a scale from 0 to 103.96: 4 per cent above the highest of all, 100, less the lowest, 1.
        foreach (['a' => 100, 'b' => 40, 'c' => 10, 'home' => 3] as $key => $value) {
            [$y, $top, $bottom] = $same[$key];
            self::assertEqualsWithDelta((new Scale(0.0, 103.96, $bottom, $top))->at($value), $y, 1e-6, $key);
        }
        $own = $ends($study->withPart(PartCatalogue::named('panels')::from(['by' => 'entity', 'scale' => 'own'])));
        self::assertEqualsWithDelta(
            (new Scale(0.0, 3.08, $own['home'][2], $own['home'][1]))->at(3.0),
            $own['home'][0],
            1e-6,
        );
        // Of the same span about its own middle, a change of ten is as high in every panel.
        $span = $ends($study->withPart(PartCatalogue::named('panels')::from(['by' => 'entity', 'scale' => 'span'])));
        [$y, $top, $bottom] = $span['b'];
        self::assertEqualsWithDelta((new Scale(50 - 10.8, 50 + 10.8, $bottom, $top))->at(40), $y, 1e-6);
        self::assertSame(
            ['home', 'c', 'a', 'b'],
            array_keys(
                $ends(
                    $study->withPart(
                        PartCatalogue::named('panels')::from(['by' => 'entity', 'order' => 'hand', 'hand' => 'home,c']),
                    ),
                ),
            ),
        );
    }

    public function testAMonthAPanelHasTheYearsAlongAndTheirMean(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2021-03', ['home' => range(1, 30)]]]);
        $facets = Facets::of(
            Comparison::of(
                Make::study($data)->withPart(PartCatalogue::named('panels')::from(['by' => 'month'])),
                $data,
            ),
        );
        self::assertSame(['Jan', 'Feb', 'Mar'], [$facets[0]->name, $facets[1]->name, $facets[2]->name]);
        $years = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2021', ['home' => [1, 2, 3]]]]);
        try {
            Facets::of(
                Comparison::of(
                    Make::study($years)->withPart(PartCatalogue::named('panels')::from(['by' => 'month'])),
                    $years,
                ),
            );
            self::fail('Years were split by month.');
        } catch (InvalidStudy $problem) {
            self::assertStringContainsString('Only monthly, quarterly or half-yearly values', $problem->getMessage());
        }
        // March 2021, 2022 and 2023 are the 1st, 13th and 25th value; January 2021 is not there.
        self::assertSame([1.0, 13.0, 25.0], $facets[2]->own?->values);
        self::assertSame([13.0, 17.0], [$facets[2]->mean, $facets[0]->mean]);
        self::assertNan($facets[0]->own->values[0] ?? 0.0);
    }

    public function testPointsAreCutFittedLeftOutAndNamedWithoutCollisions(): void
    {
        $scatter = self::scatter(['line' => 'mean', 'fits' => '1', 'highX' => '45']);
        self::assertSame(['home', 'a', 'b', 'c'], array_map(static fn($p): string => $p->line->key, $scatter->points));
        self::assertSame(['d'], array_map(static fn($p): string => $p->line->key, $scatter->leftOut));
        // Of the peers without d the mean of 20, 30 and 40; with it, at 90, 45. Upwards 2x + 1 but for d, at 1.
        self::assertSame([[30.0, 61.0], [45.0, 46.0]], [$scatter->cut, $scatter->cutWithAll]);
        self::assertEqualsWithDelta(
            [2.0, 1.0, 1.0],
            [$scatter->fits['']->slope, $scatter->fits['']->intercept, $scatter->fits['']->rSquared],
            1e-12,
        );
        self::assertLessThan(0.5, $scatter->fitsWithAll['']->slope);
        self::assertSame(2, $scatter->goodCorner());
        $scene = (new ScatterComposer(new SquareLetters()))->compose($scatter, 700, 400);
        self::assertNotNull($scene->plot);
        self::assertStringContainsString('y = 1 + 2 x, R² 1.00', Svg::forScreen($scene, []));
        $mean = self::scatter(['at' => 'mean'])->points[0];
        self::assertSame([9.5, 20.0], [$mean->x, $mean->y]);
        $path = self::scatter(['at' => 'path'])->points[0]->path;
        self::assertSame([[9.0, 19.0, 0], [10.0, 21.0, 1]], $path);
    }

    public function testNamesOfPointsNeverOverlapOverManyRandomLayouts(): void
    {
        mt_srand(12);
        $letters = new SquareLetters();
        for ($round = 0; $round < 100; $round++) {
            $up = $along = $entities = [];
            for ($i = 0, $count = mt_rand(2, 40); $i < $count; $i++) {
                $up["e{$i}"] = [mt_rand(0, 100)];
                $along["e{$i}"] = [mt_rand(0, 100)];
            }
            $data = Make::data([
                'up' => ['Ml', MeasureKind::Stock, '2024', $up],
                'along' => ['km', MeasureKind::Stock, '2024', $along],
            ]);
            $scene = (new ScatterComposer($letters))->compose(
                Scattered::of(Comparison::of(Make::study($data)->withView('scatter'), $data)),
                700,
                400,
            );
            $boxes = [];
            foreach (self::parts($scene, 'end-label') as $label) {
                $words = $label->marks[0];
                self::assertInstanceOf(Words::class, $words);
                $boxes[] = [
                    $words->x,
                    $words->y - $words->type->size,
                    $words->x + $letters->width($words->text(), $words->type),
                    $words->y,
                ];
            }
            foreach ($boxes as $i => [$l, $t, $r, $b]) {
                foreach (array_slice($boxes, $i + 1) as [$l2, $t2, $r2, $b2]) {
                    self::assertTrue($r <= $l2 || $r2 <= $l || $b <= $t2 || $b2 <= $t);
                }
            }
            self::assertNotSame([], $boxes);
        }
    }

    public function testARowOfSparksSaysChangeGrowthPlaceAndCourseAndAGroupIsARatioOfSums(): void
    {
        $plain = Make::data([
            'leakage' => [
                'Ml',
                MeasureKind::Stock,
                '2019',
                ['home' => [80, 60, 50, 40, 20], 'a' => [10, 11, 12, 14, 15], 'b' => [9, 9, 9, 9, 9]],
            ],
            'people' => [
                'people',
                MeasureKind::Stock,
                '2019',
                ['home' => [2, 2, 2, 2, 2], 'a' => [1, 1, 1, 1, 1], 'b' => [3, 3, 3, 3, 3]],
            ],
        ]);
        $data = new DataInMemory(
            [
                Measure::of('leakage', 'Leakage', 'Ml', MeasureKind::Stock, Frequency::Year, Better::Lower),
                $plain->measures()['people'],
            ],
            [new Entity('home', 'Home', 'Coast'), new Entity('a', 'A', 'Coast'), new Entity('b', 'B', 'Hill')],
            ['leakage' => $plain->table('leakage'), 'people' => $plain->table('people')],
        );
        $study = Make::study($data, StopCatalogue::make('per-denominator', ['measure' => 'people']))->withPart(
            PartCatalogue::named('sparks')::from(['sort' => 'latest', 'downward' => '1']),
        );
        $table = SparkTable::of($study, Comparison::of($study, $data));
        self::assertSame(['Coast', 'Hill'], array_keys($table->groups));
        self::assertSame(
            ['A', 'Home'],
            array_map(static fn($row): string => $row->line->name, $table->groups['Coast']),
        );
        [$a, $home] = $table->groups['Coast'];
        self::assertSame([-30.0, 2], [$home->course->change, $home->rank]);
        // Any five values that only fall might as well be chance: what they do is said, and no trend.
        self::assertSame(
            ['not tested', 'lower in 4 of 4 steps; 5 values are too few for a test'],
            [$home->course->trend->verdict, $home->course->trend->reason],
        );
        // Halved twice over in four years: the fourth root of 10 ÷ 40.
        self::assertEqualsWithDelta((0.25 ** 0.25 - 1) * 100, $home->course->growth, 1e-9);
        self::assertSame([3, 1], [$a->rank, $table->groups['Hill'][0]->rank]);
        // 20 + 15 Ml over 2 + 1 people, not the mean of 10 and 15.
        self::assertSame(35 / 3, $table->totals['Coast']->line->latest());
    }

    #[TestWith([Better::Higher, Better::Higher, 1])]
    #[TestWith([Better::Higher, Better::Lower, 0])]
    #[TestWith([Better::Lower, Better::Higher, 3])]
    #[TestWith([Better::Lower, Better::Lower, 2])]
    #[TestWith([Better::Neither, Better::Higher, null])]
    #[TestWith([Better::Lower, Better::Neither, null])]
    public function testTheGoodCornerIsKnownWhereBothMeasuresSayWhichWayIsGood(
        Better $up,
        Better $along,
        ?int $corner,
    ): void {
        $measure = static fn(string $key, Better $better): Measure => Measure::of(
            $key,
            ucfirst($key),
            'Ml',
            MeasureKind::Stock,
            Frequency::Year,
            $better,
        );
        $plain = Make::data([
            'flow' => ['Ml', MeasureKind::Stock, '2023', ['home' => [1, 2], 'a' => [3, 4]]],
            'cost' => ['Ml', MeasureKind::Stock, '2023', ['home' => [5, 7], 'a' => [6, 8]]],
        ]);
        $data = new DataInMemory([$measure('flow', $up), $measure('cost', $along)], array_values($plain->entities()), [
            'flow' => $plain->table('flow'),
            'cost' => $plain->table('cost'),
        ]);
        $study = Make::study($data)->withView('scatter');
        self::assertSame($corner, Scattered::of(Comparison::of($study, $data))->goodCorner());
    }

    public function testALastLayerIsNotPutAwayAsARestOfOne(): void
    {
        $layers = static function (int $lines): array {
            $series = ['home' => [1, 1]];
            for ($i = 1; $i < $lines; $i++) {
                $series["s{$i}"] = [10 * $i, 10 * $i];
            }
            $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2023', $series]]);
            $study = Make::study($data)->withView('stack')->withPart(StackPart::from(['top' => '3']));
            $study = $study->withState('home', LineState::Peer);

            return array_map(
                static fn(Layer $layer): string => $layer->line->key,
                Stacked::of(Lineup::of(Comparison::of($study, $data)))->layers,
            );
        };
        self::assertSame(['s3', 's2', 's1', 'home'], $layers(4));
        self::assertSame(['s4', 's3', 's2', Stacked::REST], $layers(5));
    }

    public function testARuleChoosesAmongEntitiesAndLeavesTheYearsInFocusAsTheyAre(): void
    {
        $data = Make::data([
            'flow' => ['Ml', MeasureKind::Flow, '2023-01', ['home' => range(1, 24), 'a' => range(2, 25)]],
        ]);
        $study = Make::study($data);
        $changes = [
            ['state', ['entity' => 'y:2023', 'state' => 'focus']],
            ['set', ['part' => 'rule', 'settings' => ['by' => 'top', 'count' => '1']]],
        ];
        foreach ($changes as [$change, $input]) {
            $study = Edit::of(Changes::read($change, $input), $study, $data)->study;
        }
        self::assertSame(['a', 'y:2023'], array_keys($study->focus));
    }

    /** A whole group in focus keeps its hue, and takes one of the six. */
    public function testARuleLeavesTheHuesOfGroupsInFocus(): void
    {
        $series = [];
        for ($i = 1; $i <= 8; $i++) {
            $series["m{$i}"] = [10 * $i, 10 * $i];
        }
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020', $series]]);
        $five = ['m8' => 1, 'm7' => 3, 'm6' => 4, 'm5' => 5, 'm4' => 6];
        foreach ([2 => ['m8' => 1, 'm7' => 3], 6 => $five] as $n => $own) {
            $rule = PartCatalogue::named('rule')::from(['by' => 'top', 'count' => $n]);
            $study = Make::study($data)->withFocus(['g:North' => 2])->withPart($rule);
            self::assertSame([...$own, 'g:North' => 2], Comparison::of($study, $data)->study->focus);
        }
    }

    public function testARuleFindsWhoIsInFocusAnewWithNewFiguresUntilItIsFrozen(): void
    {
        $series = ['home' => [5, 5, 5], 'a' => [1, 2, 9], 'b' => [9, 9, 3], 'c' => [4, 6, 8]];
        $older = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Stock,
                '2020',
                array_map(static fn(array $v): array => array_slice($v, 0, 2), $series),
            ],
        ]);
        $newer = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020', $series]]);
        $study = Edit::of(
            Changes::read('set', ['part' => 'rule', 'settings' => ['by' => 'top', 'count' => '2']]),
            Make::study($older),
            $older,
        )->study;
        self::assertSame(['b', 'c'], array_keys($study->focus));
        self::assertSame(['a', 'c'], array_keys(Comparison::of($study, $newer)->study->focus));
        $rising = $study->withPart(PartCatalogue::named('rule')::from(['by' => 'top', 'of' => 'change', 'count' => 1]));
        self::assertSame(['a'], array_keys(Comparison::of($rising, $newer)->study->focus));
        $past = $study->withPart(PartCatalogue::named('rule')::from(['by' => 'past', 'value' => '8']));
        self::assertSame(['a', 'c'], array_keys(Comparison::of($past, $newer)->study->focus));
        $frozen = Edit::of(Changes::read('set', ['part' => 'rule', 'settings' => ['by' => 'hand']]), $study, $older)
            ->study;
        self::assertSame(['b', 'c'], array_keys(Comparison::of($frozen, $newer)->study->focus));
        // Whoever chooses by hand goes on from what the rule had found.
        $chosen = Edit::of(Changes::read('state', ['entity' => 'home', 'state' => 'focus']), $study, $older)->study;
        self::assertSame(
            ['hand', ['b', 'c', 'home']],
            [$chosen->part(RulePart::class)->by, array_keys($chosen->focus)],
        );
    }

    public function testLinesRunAcrossTheMeasuresWhoseUnitsAgree(): void
    {
        $data = Make::data([
            'leakage' => ['Ml', MeasureKind::Flow, '2024-01', ['home' => [10, 20, 30]]],
            'energy' => ['MWh', MeasureKind::Flow, '2024-02', ['home' => [50, 25]]],
            'people' => ['people', MeasureKind::Stock, '2024', ['home' => [7]]],
        ]);
        $across = ['part' => 'lines', 'settings' => ['across' => 'measures']];
        $indexed = Edit::of(
            Changes::read('set', $across),
            Make::study($data, StopCatalogue::make('index', ['base' => '2024-02'])),
            $data,
        );
        self::assertSame(['Leakage', 'Energy'], array_map(static fn(Line $l): string => $l->name, $indexed->lines));
        self::assertSame([100.0, 50.0], array_slice($indexed->line('m:energy')->values ?? [], 1));
        self::assertSame(
            ['m:leakage' => 1],
            array_filter(
                $indexed->study->focus,
                static fn(string $line): bool => $line !== 'home',
                ARRAY_FILTER_USE_KEY,
            ),
        );
        $plain = Edit::of(Changes::read('set', $across), Make::study($data), $data);
        self::assertSame(
            ['Energy' => ['it is in MWh per month', true], 'People' => ['it is yearly', false]],
            array_map(static fn(LeftOut $one): array => [$one->reason, $one->isOfOtherUnit], $plain->measures->leftOut),
        );
    }

    public function testFiguresByYearsNeedALineAndSaySo(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2023', ['home' => [null, null]]]]);
        $study = Make::study($data)
            ->withView('figures')
            ->withPart(PartCatalogue::named('figures')::from(['down' => 'years']))
            ->withState('home', LineState::Off);
        $this->expectException(InvalidStudy::class);
        $this->expectExceptionMessage('No line is in focus');
        Grid::of(
            Comparison::of(
                $study,
                new DataInMemory(array_values($data->measures()), [], ['flow' => $data->table('flow')]),
            ),
        );
    }

    public function testFiguresStandByPeriodsByLinesOrByYears(): void
    {
        $data = Make::data([
            'flow' => ['Ml', MeasureKind::Stock, '2023-Q3', ['home' => [1, 2, 3, null], 'a' => [8, 7, 6, 5]]],
        ]);
        $grid = static fn(array $part): Grid => Grid::of(
            Comparison::of(
                Make::study($data)
                    ->withView('figures')
                    ->withPart(PartCatalogue::named('figures')::from($part)),
                $data,
            ),
        );
        $names = static fn(array $heads): array => array_map(
            static fn(mixed $head): string => $head instanceof GridHead ? $head->name : '',
            $heads,
        );
        $periods = $grid([]);
        self::assertSame(
            [['Home', 'A', 'Peer median'], ['Q2 2024', 'Q1 2024', 'Q4 2023', 'Q3 2023']],
            [$names($periods->columns), $names($periods->rows)],
        );
        $sorted = $grid(['sort' => 'home', 'downward' => '0']);
        self::assertSame(['Q3 2023', 'Q4 2023', 'Q1 2024', 'Q2 2024'], $names($sorted->rows));
        $lines = $grid(['down' => 'lines', 'sort' => '2024-Q1']);
        self::assertSame(
            [['A', 'Peer median', 'Home'], [8.0, 7.0, 6.0, 5.0]],
            [$names($lines->rows), $lines->cells[0]],
        );
        // Fifths of the way from 1 to 8.
        self::assertSame([1, 1, 2, 5, 0], array_map($lines->shade(...), [1.0, 2.3, 2.5, 8.0, NAN]));
        $years = $grid(['down' => 'years']);
        self::assertSame(
            [['Q1', 'Q2', 'Q3', 'Q4'], ['2024', '2023'], 3.0],
            [$names($years->columns), $names($years->rows), $years->cells[0][0]],
        );
        $this->expectException(UnknownPeriod::class);
        $yearly = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020', ['home' => [1, 2]]]]);
        Grid::of(
            Comparison::of(
                Make::study($yearly)->withPart(PartCatalogue::named('figures')::from(['down' => 'years'])),
                $yearly,
            ),
        );
    }

    /** @param array<string, string> $part */
    private static function scatter(array $part): Scattered
    {
        $along = ['home' => [9, 10], 'a' => [19, 20], 'b' => [29, 30], 'c' => [39, 40], 'd' => [89, 90]];
        $up = array_map(static fn(array $v): array => [2 * $v[0] + 1, 2 * $v[1] + 1], $along);
        $up['d'] = [1, 1];
        $plain = Make::data([
            'up' => ['Ml', MeasureKind::Stock, '2023', $up],
            'along' => ['km', MeasureKind::Stock, '2023', $along],
        ]);
        $measures = [
            Measure::of('up', 'Up', 'Ml', MeasureKind::Stock, Frequency::Year, Better::Lower),
            Measure::of('along', 'Along', 'km', MeasureKind::Stock, Frequency::Year, Better::Lower),
        ];
        $data = new DataInMemory($measures, array_values($plain->entities()), [
            'up' => $plain->table('up'),
            'along' => $plain->table('along'),
        ]);

        return Scattered::of(
            Comparison::of(
                Make::study($data)
                    ->withView('scatter')
                    ->withPart(PartCatalogue::named('scatter')::from($part)),
                $data,
            ),
        );
    }

    /** @param list<float> $values */
    private static function exact(array $values): BigRational
    {
        $sum = BigRational::zero();
        foreach (array_filter($values, static fn(float $v): bool => !is_nan($v)) as $value) {
            // Every double is a whole number over a power of two.
            $exponent = $value === 0.0 ? 0 : (int) floor(log($value, 2)) - 52;
            $sum = $sum->plus(
                BigRational::of((int) ($value / 2 ** $exponent))->multipliedBy(
                    $exponent >= 0
                        ? BigRational::of(2)->power($exponent)
                        : BigRational::one()->dividedBy(BigRational::of(2)->power(-$exponent)),
                ),
            );
        }

        return $sum;
    }

    /** @return list<Group> */
    private static function parts(Scene $scene, string $role, ?string $line = null): array
    {
        return array_values(
            array_filter(
                $scene->marks,
                static fn(Mark $m): bool => $m instanceof Group &&
                    $m->role === $role &&
                    ($line === null || ($m->facts['line'] ?? '') === $line),
            ),
        );
    }

    public function testAScatterOfYearsAddsUpWhatFlowsInMonthsAndLeavesUnfinishedYearsOut(): void
    {
        $months = static fn(float $each): array => array_fill(0, 27, $each);
        $data = Make::data([
            'staff' => [
                'people',
                MeasureKind::Stock,
                '2021',
                ['home' => [5, 6, 7], 'a' => [8, 9, 10], 'b' => [1, 2, 3]],
            ],
            'calls' => [
                'calls',
                MeasureKind::Flow,
                '2021-01',
                ['home' => $months(10), 'a' => $months(20), 'b' => $months(30)],
            ],
        ]);
        $study = Make::study($data)
            ->withView('scatter')
            ->withPart(PartCatalogue::named('scatter')::from(['measure' => 'calls']));
        $scatter = Scattered::of(Comparison::of($study, $data));
        self::assertSame('2022', $scatter->when);
        self::assertSame('calls per year', $scatter->horizontal->unit());
        self::assertSame(
            [[120.0, 6.0], [240.0, 9.0], [360.0, 2.0]],
            array_map(static fn($p): array => [$p->x, $p->y], $scatter->points),
        );
    }
}
