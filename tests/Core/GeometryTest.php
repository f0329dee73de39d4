<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Area;
use DuskRail\Chart\Box;
use DuskRail\Chart\Group;
use DuskRail\Chart\Ink;
use DuskRail\Chart\Mark;
use DuskRail\Chart\Points;
use DuskRail\Chart\Scale;
use DuskRail\Chart\Scene;
use DuskRail\Chart\Spark;
use DuskRail\Chart\Stroke;
use DuskRail\Chart\Ticks;
use DuskRail\Chart\TrackComposer;
use DuskRail\Chart\Words;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Views\Views;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What is on what, on which side, in which ink, and what is cut off: read from the marks before they are markup. */
final class GeometryTest extends TestCase
{
    public function testTheBandLiesUndermostThenPeersThenTheirMedianThenTheFocusTheFirstChosenOnTop(): void
    {
        $data = self::data([
            'home' => [5, 9],
            'a' => [1, 2],
            'b' => [3, 3],
            'c' => [6, 5],
            'd' => [8, 7],
            'e' => [2, 4],
        ]);
        $study = Make::study($data)
            ->withState('a', LineState::Focus)
            ->withState('b', LineState::Focus)
            ->withPart(new PeersPart(line: PeerLine::Median, band: Band::Range));
        self::assertSame(
            ['band', 'c', 'd', 'e', 'median', 'b', 'a', 'home'],
            array_values(
                array_filter(
                    array_map(
                        static fn(Group $group): string => $group->facts['line'] ?? $group->role,
                        self::inRole(self::scene($study, $data), ['band', 'series', 'median']),
                    ),
                    static fn(string $name): bool => $name !== '',
                ),
            ),
        );
    }

    public function testALineInFocusHasAHaloOfTheSheetBehindItsColourAndPeersHaveNone(): void
    {
        $data = self::data(['home' => [5, 9, 4], 'a' => [1, 2, 3], 'b' => [7, 7, 7]]);
        $scene = self::scene(Make::study($data), $data);
        [$halo, $line] = self::strokes(self::line($scene, 'home'));
        self::assertSame([Ink::Sheet, Ink::Focus1], [$halo->ink, $line->ink]);
        self::assertSame($halo->pieces, $line->pieces);
        self::assertSame(3.0, $halo->width - $line->width);
        self::assertSame(
            [Ink::Peer],
            array_map(static fn(Stroke $s): Ink => $s->ink, self::strokes(self::line($scene, 'a'))),
        );
    }

    /**
     * @param array<string, string> $look
     * @param list<list<float>> $lit the values of the lit pieces
     */
    #[TestWith([['lit' => 'below', 'litAt' => '20'], [[10.0], [5.0, 5.0]]])]
    #[TestWith([['lit' => 'above', 'litAt' => '20'], [[30.0]]])]
    #[TestWith([['lit' => 'from', 'litAt' => '2022'], [[20.0, 5.0, 5.0]]])]
    public function testAPartIsLitOnlyWhereTheLineIsBeyondItsLevelOrPeriod(array $look, array $lit): void
    {
        $data = self::data(['home' => [10, 30, 20, 5, 5], 'a' => [1, 1, 1, 1, 1]]);
        $scene = self::scene(Make::study($data)->withPart(LookPart::from($look)), $data);
        $scale = $scene->scale ?? self::fail('The picture has no scale.');
        $parts = array_filter(self::line($scene, 'home')->marks, static fn(Mark $m): bool => $m instanceof Group);
        self::assertCount(1, $parts);
        $stroke = self::strokes(reset($parts) ?: self::fail('Nothing is lit.'))[0];
        self::assertSame(Ink::Focus1, $stroke->ink);
        $expected = array_map(static fn(array $piece): array => array_map($scale->at(...), $piece), $lit);
        $drawn = array_map(static fn(array $piece): array => array_column(array_chunk($piece, 2), 1), $stroke->pieces);
        self::assertEqualsWithDelta($expected, $drawn, 1e-9);
    }

    public function testAPeakIsLabelledAboveAndATroughBelowUnlessASideIsChosen(): void
    {
        $data = self::data(['home' => [50, 90, 50, 10, 50], 'a' => [1, 1, 1, 1, 100]]);
        $beside = static function (array $labels) use ($data): array {
            $scene = self::scene(Make::study($data)->withPart(LabelsPart::from($labels)), $data);
            $sides = [];
            foreach (self::inRole($scene, ['point-label']) as $label) {
                $words = array_values(array_filter($label->marks, static fn(Mark $m): bool => $m instanceof Words))[0];
                self::assertInstanceOf(Words::class, $words);
                $scale = $scene->scale ?? self::fail('The picture has no scale.');
                $sides[$words->text()] = $words->y < $scale->at((float) $words->text()) ? 'above' : 'below';
            }

            return $sides;
        };
        self::assertSame(['90' => 'above', '10' => 'below'], $beside(['points' => 'highest,lowest']));
        self::assertSame(
            ['90' => 'below', '10' => 'below'],
            $beside(['points' => 'highest,lowest', 'side' => 'below']),
        );
    }

    public function testAValueWrittenAtAPointHasAHaloSoThatLinesDoNotCrossIt(): void
    {
        $data = self::data(['home' => [50, 90, 50], 'a' => [1, 2, 3]]);
        $study = Make::study($data)->withPart(LabelsPart::from(['points' => 'highest,lowest']));
        $halos = [];
        foreach (self::inRole(self::scene($study, $data), ['point-label']) as $label) {
            foreach ($label->marks as $mark) {
                $halos[] = $mark instanceof Words && $mark->halo;
            }
        }
        self::assertSame([true, true], $halos);
    }

    public function testNothingIsDrawnOutsideThePeriodsThatAreShownAndALogarithmicAxisLeavesZeroOut(): void
    {
        $data = self::data(['home' => [10, 20, 0, 40, 50], 'a' => [1, 1, 1, 1, 1]]);
        $study = Make::study($data)->withPart(new AxisPart('cut', true));
        $scene = self::scene($study, $data);
        $plot = $scene->plot ?? self::fail('The picture has no plot.');
        $pieces = self::strokes(self::line($scene, 'home'))[1]->pieces;
        self::assertSame([4, 4], array_map(count(...), $pieces), 'two points on either side of the zero');
        self::assertEqualsWithDelta([$plot->x(0), $plot->x(1)], [$pieces[0][0], $pieces[0][2]], 1e-9);
        self::assertEqualsWithDelta([$plot->x(3), $plot->right], [$pieces[1][0], $pieces[1][2]], 1e-9);
    }

    /** Zero is shown where it costs no more than about a third of the height: a rule of thumb of this program. */
    public function testTheAxisBeginsAtZeroUpToJustOverAThirdOfTheWay(): void
    {
        self::assertSame(0.0, Scale::vertical([34.9, 100.0], 400, 0)->low);
        self::assertGreaterThan(30.0, Scale::vertical([35.1, 100.0], 400, 0)->low);
    }

    public function testALimitBelowAllValuesStillLeavesAnAxisThatEndsThere(): void
    {
        $data = self::data(['home' => [50, 90, 60], 'a' => [40, 45, 50]]);
        $scale = self::scene(Make::study($data)->withPart(new AxisPart('cut', false, null, 5.0, 'lines')), $data)
            ->scale;
        self::assertSame([4.0, 5.0], [$scale?->low, $scale?->high]);
        $scale = self::scene(Make::study($data)->withPart(new AxisPart('cut', false, 200.0, null, 'lines')), $data)
            ->scale;
        self::assertSame([200.0, 201.0], [$scale?->low, $scale?->high]);
    }

    /** Five panels are three and two, since two columns would leave one alone in a third row. */
    #[TestWith([3, 1])]
    #[TestWith([5, 2])]
    #[TestWith([8, 2])]
    public function testPanelsFillTheirRows(int $lines, int $rows): void
    {
        $series = [];
        for ($i = 0; $i < $lines; $i++) {
            $series[$i === 0 ? 'home' : "s{$i}"] = [$i, $i + 1, $i + 2];
        }
        $data = self::data($series);
        $study = Make::study($data)->withPart(PanelsPart::from(['by' => 'entity']));
        $panels = Views::of($study)->panels(Comparison::of($study, $data), new SquareLetters(), 1_000.0);
        self::assertCount($rows, $panels);
    }

    /** Columns that the width does not hold are not drawn, as long as they can be read at all. */
    #[TestWith([399.0, 2])]
    #[TestWith([700.0, 3])]
    #[TestWith([1_000.0, 4])]
    public function testPanelsAreAsWideAsTheirTextsNeed(float $width, int $columns): void
    {
        $series = array_fill_keys(['home', 'a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i'], [1, 2, 3]);
        $data = self::data($series);
        $study = Make::study($data)->withPart(PanelsPart::from(['by' => 'entity']));
        $panels = Views::of($study)->panels(Comparison::of($study, $data), new SquareLetters(), $width);
        self::assertCount((int) ceil(10 / $columns), $panels);
    }

    /** A lower limit that a logarithmic axis cannot have is left alone. */
    public function testALogarithmicAxisBeginsAboveZeroWhateverIsWished(): void
    {
        $data = self::data(['home' => [1, 10, 100], 'a' => [2, 5, 50]]);
        $lows = [];
        foreach ([null, 0.0, -5.0, 0.5] as $low) {
            $study = Make::study($data)->withPart(new AxisPart('cut', true, $low, null, 'lines'));
            $lows[] = self::scene($study, $data)->scale?->low;
        }
        self::assertGreaterThan(0.5, $lows[0]);
        self::assertSame([$lows[0], $lows[0], $lows[0], 0.5], $lows);
    }

    /** Room of a tenth on either side, also below zero, where a tenth of the value itself would turn the axis over. */
    #[TestWith([5.0, 4.5, 5.5])]
    #[TestWith([-5.0, -5.5, -4.5])]
    #[TestWith([0.0, -1.0, 1.0])]
    public function testAScaleOfOneValueHasRoomOnBothSides(float $value, float $low, float $high): void
    {
        $scale = Scale::vertical([$value], 400, 0);
        self::assertSame([$low, $high], [$scale->low, $scale->high]);
        self::assertSame(200.0, $scale->at($value));
    }

    public function testALogarithmicAxisWritesSmallAndLargeValuesWithTheDecimalsTheyNeed(): void
    {
        $data = self::data(['home' => [0.02, 0.5, 300], 'a' => [0.03, 4, 20]]);
        $scale = self::scene(Make::study($data)->withPart(new AxisPart('cut', true)), $data)->scale;
        $ticks = Ticks::on($scale ?? self::fail('The picture has no scale.'), 12);
        self::assertSame(['0.05', '0.5', '2', '100'], array_map($ticks->label(...), [0.05, 0.5, 2.0, 100.0]));
    }

    public function testAScatterOfOneNegativeValueHasRoomAboutIt(): void
    {
        $data = Make::data([
            'flow' => ['Ml', MeasureKind::Stock, '2024', ['home' => [-50], 'a' => [-50]]],
            'other' => ['km', MeasureKind::Stock, '2024', ['home' => [3], 'a' => [3]]],
        ]);
        $study = Make::study($data)->withView('scatter')->withPart(ScatterPart::from(['measure' => 'other']));
        $scale = self::scene($study, $data)->scale ?? self::fail('The picture has no scale.');
        self::assertEqualsWithDelta([-55.0, -45.0], [$scale->low, $scale->high], 1e-9);
    }

    public function testAFallingLineOfPointsIsWrittenWithOneMinus(): void
    {
        $plain = Make::data([
            'flow' => ['Ml', MeasureKind::Stock, '2023', ['home' => [9], 'a' => [7], 'b' => [5]]],
            'cost' => ['Ml', MeasureKind::Stock, '2023', ['home' => [1], 'a' => [2], 'b' => [3]]],
        ]);
        $study = Make::study($plain)->withView('scatter')->withPart(ScatterPart::from(['fits' => '1']));
        $words = self::inRole(self::scene($study, $plain), ['equation'])[0]->marks[0] ?? null;
        self::assertInstanceOf(Words::class, $words);
        self::assertSame('y = 11 − 2 x, R² 1.00', $words->text());
    }

    public function testTheBaseOnTheTrackEndsWithTheTrack(): void
    {
        $data = self::data(['home' => [50, 90, 60], 'a' => [40, 45, 50]]);
        $study = Make::study($data, StopCatalogue::make('index', ['base' => '2021..2022']));
        $comparison = Comparison::of($study, $data);
        $plot = Make::picture($comparison)->plot ?? self::fail('The picture has no plot.');
        $track = (new TrackComposer(new SquareLetters()))->compose($comparison, $plot, 900.0);
        $base = self::inRole($track, ['track-base'])[0]->marks[0] ?? null;
        self::assertInstanceOf(Box::class, $base);
        self::assertEqualsWithDelta([$plot->x(1), $plot->right], [$base->x, $base->x + $base->width], 1e-9);
    }

    public function testTheAreaOfABandRunsThereAlongItsUpperEdgeAndBackAlongItsLower(): void
    {
        $data = self::data(['home' => [9, 9], 'a' => [1, 2], 'b' => [3, 8], 'c' => [6, 5]]);
        $study = Make::study($data)->withPart(new PeersPart(line: PeerLine::Median, band: Band::Range));
        $scene = self::scene($study, $data);
        [$plot, $scale] = [$scene->plot, $scene->scale];
        $area = self::inRole($scene, ['band'])[0]->marks[0] ?? null;
        self::assertInstanceOf(Area::class, $area);
        self::assertNotNull($plot);
        self::assertNotNull($scale);
        [$x, $y] = [$plot->x(...), $scale->at(...)];
        self::assertEqualsWithDelta(
            [[$x(0), $y(6.0), $x(1), $y(8.0), $x(1), $y(2.0), $x(0), $y(1.0)]],
            $area->pieces,
            1e-9,
        );
    }

    /** @param array<string, list<int|float>> $series yearly from 2020 on */
    private static function data(array $series): DataInMemory
    {
        return Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020', $series]]);
    }

    private static function scene(Study $study, DataInMemory $data): Scene
    {
        return Make::picture(Comparison::of($study, $data));
    }

    /**
     * @param list<string> $roles
     * @return list<Group> in the order in which they are drawn
     */
    private static function inRole(Scene $scene, array $roles): array
    {
        $groups = [];
        foreach ($scene->marks as $mark) {
            if ($mark instanceof Group && in_array($mark->role, $roles, true)) {
                $groups[] = $mark;
            }
        }

        return $groups;
    }

    private static function line(Scene $scene, string $key): Group
    {
        foreach (self::inRole($scene, ['series']) as $group) {
            if (($group->facts['line'] ?? '') === $key) {
                return $group;
            }
        }
        self::fail("There is no line of {$key}.");
    }

    /** @return list<Stroke> */
    private static function strokes(Group $group): array
    {
        return array_values(array_filter($group->marks, static fn(Mark $mark): bool => $mark instanceof Stroke));
    }

    public function testThePointsOfAPanelAreWhereItsLineIsDrawnOnTheWholePicture(): void
    {
        $data = self::data(['home' => [1, 2, 3], 'a' => [4, 5, 6], 'b' => [7, 8, 9]]);
        $study = Make::study($data)->withPart(PanelsPart::from(['by' => 'entity', 'columns' => '3']));
        $rows = Views::of($study)->panels(Comparison::of($study, $data), new SquareLetters(), 900.0);
        $points = Points::of($rows[0]);
        $firsts = array_map(static fn(array $line): float => ($line[0][0] ?? 0) / 10, array_values($points));
        self::assertCount(3, $firsts);
        // Each panel begins a third of the picture further right.
        self::assertEqualsWithDelta($firsts[1] - $firsts[0], $firsts[2] - $firsts[1], 0.2);
        self::assertGreaterThan(200.0, $firsts[1] - $firsts[0]);
    }

    public function testOfYearsLaidOverEachOtherTheWholeLineIsLit(): void
    {
        $months = range(10, 33);
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020-01', ['home' => $months, 'a' => $months]]]);
        $study = Make::study($data)
            ->withView('overlay')
            ->withPart(LookPart::from(['lit' => 'from', 'litAt' => '2021-07']));
        $parts = array_values(
            array_filter(
                self::line(self::scene($study, $data), 'y:2021')->marks,
                static fn(Mark $m): bool => $m instanceof Group,
            ),
        );
        self::assertInstanceOf(Group::class, $parts[0] ?? null);
        self::assertCount(12, array_chunk(self::strokes($parts[0])[0]->pieces[0] ?? [], 2));
    }

    public function testASmallCourseRunsFromTheFirstValueToTheLastAndIsOpenAtAGap(): void
    {
        $corners = static fn(array $piece): array => array_chunk($piece, 2);
        [$rising] = Spark::pieces([NAN, 1.0, 5.0, 2.0, 9.0], 1, 4, 46.0, 20.0);
        $points = $corners($rising);
        self::assertSame([1.0, 45.0], [$points[0][0], $points[3][0]]);
        // Downwards on the screen is less.
        self::assertSame([18.0, 2.0], [$points[0][1], $points[3][1]]);
        self::assertLessThan($points[2][1], $points[1][1]);
        self::assertCount(2, Spark::pieces([1.0, 5.0, NAN, 2.0, 9.0], 0, 4, 46.0, 20.0));
        // Of many values every so many-th is taken, and a gap between two of them stays one.
        $many = range(0.0, 399.0);
        $many[201] = NAN;
        $pieces = Spark::pieces(array_values(array_map(floatval(...), $many)), 0, 399, 46.0, 20.0);
        self::assertCount(2, $pieces);
        self::assertLessThan(60, count($pieces[0]) / 2 + count($pieces[1]) / 2);
    }
}
