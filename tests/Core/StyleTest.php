<?php

declare(strict_types=1);

namespace Tests\Core;

use App\Drawing\Svg;
use DuskRail\Chart\Box;
use DuskRail\Chart\EndLabels;
use DuskRail\Chart\Group;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\Mark;
use DuskRail\Chart\Scene;
use DuskRail\Chart\SheetComposer;
use DuskRail\Chart\Stroke;
use DuskRail\Chart\Words;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Parts\TextPart;
use DuskRail\Document\Study;
use DuskRail\Document\Style;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Rail\Targets;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;
use DuskRail\Views\Views;
use DuskRail\Words\Wording;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Colours by a value, targets, labels moved by hand, the key, and the look of one study given to another. */
final class StyleTest extends TestCase
{
    /**
     * @param array<string, string> $tone
     * @param array<string, string> $expected the ink of each line
     * @param list<string> $ends low, middle and high of the scale
     */
    // 30 is a third of the way: 2.3 of seven steps.
    #[TestWith([['by' => 'latest'], ['a' => 'tone-1', 'b' => 'tone-3', 'c' => 'tone-7'], ['10.0', '', '70.0']])]
    #[TestWith([['by' => 'place'], ['a' => 'tone-1', 'b' => 'tone-4', 'c' => 'tone-7'], ['3', '', '1']])]
    #[TestWith([['by' => 'change'], ['a' => 'tone-7', 'b' => 'tone-1', 'c' => 'tone-4'], ['−20.0', '', '0.0']])]
    #[TestWith(
        [
            ['by' => 'latest', 'scale' => 'about', 'middle' => '20'],
            ['a' => 'arm-3', 'b' => 'arm-5', 'c' => 'arm-7'],
            ['−30.0', '20.0', '70.0'],
        ],
        'ten below 20 to fifty above it: the reach is fifty',
    )]
    #[TestWith(
        [['by' => 'target'], ['a' => 'arm-1', 'b' => 'arm-4', 'c' => 'arm-6'], ['−20.0', '0.0', '+20.0']],
        'all are to reach 30, C 60',
    )]
    public function testLinesTakeTheColourOfTheirOwnFigure(array $tone, array $expected, array $ends): void
    {
        $data = self::data(['a' => [10, 10], 'b' => [50, 30], 'c' => [80, 70]]);
        $study = self::with(Study::first('S', 'flow', $data), $data, [
            'peers' => ['target' => '30; C 60'],
            'tone' => $tone,
        ]);
        $comparison = Comparison::of($study, $data);
        self::assertSame(
            $expected,
            array_map(
                static fn(Line $l): string => $l->ink(),
                array_combine(array_column($comparison->lines, 'key'), $comparison->lines),
            ),
        );
        self::assertNotNull($comparison->tones);
        self::assertSame($ends, [$comparison->tones->low, $comparison->tones->middle, $comparison->tones->high]);
        // The name in the headline has the colour of the line, and so has its label.
        self::assertSame($expected['a'], array_column(Wording::coloured('A is here', $comparison), 'ink', 'text')['A']);
        $label = self::parts(self::scene($study, $data), 'end-label')[0];
        self::assertSame($expected['a'], self::words($label)[0]->runs[0]['ink']->value);
    }

    /** @return iterable<string, array{string, string, list<float|null>}> */
    public static function targets(): iterable
    {
        yield 'one for all' => ['120', 'Veldmere Water', [120, 120, 120, 120]];
        yield 'from a period' => ['2021: 110; 2023 1,100.5', 'Tarrow', [null, 110, 110, 1100.5]];
        yield 'before, and from then on' => ['130; 2022-07 −4', 'Tarrow', [130, 130, 130, -4]];
        yield 'one has its own' => [
            '130; Veldmere 2021 95; veldmere water 2022 90',
            'Veldmere Water',
            [null, 95, 90, 90],
        ];
        yield 'and the others have not' => ['130; Veldmere 2021 95', 'Tarrow', [130, 130, 130, 130]];
        yield 'a name with a number' => ["Plant 3: 50\n7", 'Plant 3', [50, 50, 50, 50]];
        yield 'until a date' => ['95 by 2027', 'Tarrow', [95, 95, 95, 95]];
        yield 'what is next until its date' => ['12 by 2021; 10 by June 2022', 'Tarrow', [12, 12, 10, 10]];
        yield 'one has a date of its own' => ['Close by 9 by 2021; 8', 'Close by', [9, 9, 9, 9]];
        yield 'a year alone is a value' => ['2024', 'Tarrow', [2024, 2024, 2024, 2024]];
    }

    /** @param list<float|null> $expected */
    #[DataProvider('targets')]
    public function testTargetsHoldForWhomAndFromWhenTheySay(string $text, string $name, array $expected): void
    {
        $axis = PeriodAxis::along(PeriodRange::between(Period::parse('2020'), Period::parse('2023')));
        $targets = Targets::parse($text);
        self::assertEquals(
            $expected,
            array_map(static fn(float $v): ?float => is_nan($v) ? null : $v, $targets->along($name, $axis, 0, 3)),
        );
        self::assertEquals($targets, Targets::parse($targets->code()));
    }

    public function testATargetThatMakesNoSenseIsRefusedInWords(): void
    {
        $data = self::data(['a' => [1, 2]]);
        $study = Study::first('S', 'flow', $data);
        try {
            Targets::parse('soon');
            self::fail('It was read.');
        } catch (InvalidSetting $problem) {
            self::assertStringContainsString('“soon” is not a target', $problem->getMessage());
        }
        $refused = ['95 by soon' => '“soon” is not a period', '2021 95 by 2027' => 'has a start period and a date'];
        foreach ($refused as $text => $why) {
            try {
                Targets::parse($text);
                self::fail("{$text} was read.");
            } catch (InvalidSetting $problem) {
                self::assertStringContainsString($why, $problem->getMessage());
            }
        }
        $this->expectException(InvalidStudy::class);
        $this->expectExceptionMessage('No entity is called “Nobody” (target).');
        self::with($study, $data, ['peers' => ['target' => 'Nobody 5']]);
    }

    public function testAMovedLabelStaysAtItsPointWhenAPeriodComesAndGoesBack(): void
    {
        $places = [];
        foreach ([5, 6] as $count) {
            $data = self::data([
                'home' => array_slice([10, 20, 40, 30, 25, 20], 0, $count),
                'marl' => array_fill(0, $count, 5),
            ]);
            $study = self::with(Study::first('S', 'flow', $data), $data, ['labels' => ['points' => 'highest,last']]);
            foreach (['home@2022' => [30, 25], 'home@end' => [-120, 35]] as $label => [$x, $y]) {
                $study = Edit::of(
                    Changes::read('move-label', ['label' => $label, 'x' => (string) $x, 'y' => (string) $y]),
                    $study,
                    $data,
                )->study;
            }
            $scene = self::scene($study, $data);
            self::assertNotNull($scene->plot);
            self::assertNotNull($scene->scale);
            $labels = [];
            foreach ([...self::parts($scene, 'point-label'), ...self::parts($scene, 'end-label')] as $group) {
                $labels[$group->facts['label']] = $group;
            }
            // The peak's is where it was put, with a leader to its point; that of the latest period is a label like any
            // other.
            $peak = $labels['home@2022'];
            self::assertEqualsWithDelta(
                [$scene->plot->x(2) + 30, $scene->scale->at(40.0) + 25],
                [self::words($peak)[0]->x, self::words($peak)[0]->y],
                1e-6,
            );
            self::assertCount(1, array_filter($peak->marks, static fn(Mark $m): bool => $m instanceof Stroke));
            self::assertArrayHasKey($count === 5 ? 'home@2024' : 'home@2025', $labels);
            // The name follows the end, wherever that is now.
            $end = self::words($labels['home@end'])[0];
            $last = $count === 5 ? 25.0 : 20.0;
            self::assertEqualsWithDelta(
                [$scene->plot->x($count - 1) - 120, $scene->scale->at($last) + 35],
                [$end->x, $end->y],
                1e-6,
            );
            $places[] = [$end->x, $end->y];
            $back = Edit::of(Changes::read('move-label', ['label' => 'home@end']), $study, $data)->study;
            self::assertSame(['home@2022'], array_keys($back->part(LabelsPart::class)->placed));
            self::assertGreaterThan(
                $scene->plot->right,
                self::words(self::parts(self::scene($back, $data), 'end-label')[0])[0]->x,
            );
        }
        self::assertNotEquals($places[0], $places[1]);
        self::assertSame([], EndLabels::leader([100.0, 50.0], 104.0, 54.0, 40.0));
    }

    public function testLinesCanHaveLabelsOfTheirOwn(): void
    {
        $data = self::data(['a' => [1, 9, 2], 'b' => [5, 6, 7]]);
        $study = self::with(Study::first('S', 'flow', $data)->withState('b', LineState::Focus), $data, [
            'labels' => [
                'end' => 'value',
                'points' => 'first',
                'own' => ['a' => ['end' => 'both', 'points' => 'extremes'], 'b' => ['end' => '', 'points' => '']],
            ],
        ]);
        $scene = self::scene($study, $data);
        self::assertSame(
            ['A 2.00', ' 7.00'],
            array_map(static fn(Group $g): string => self::words($g)[0]->text(), self::parts($scene, 'end-label')),
        );
        self::assertEqualsCanonicalizing(
            ['9.00', '1.00', '5.00'],
            array_map(static fn(Group $g): string => self::words($g)[0]->text(), self::parts($scene, 'point-label')),
        );
    }

    public function testTheKeyStandsInForLabelsAndShowsThingsAsTheyAreDrawn(): void
    {
        $data = self::data([
            'a' => [1, 9, 2],
            'b' => [5, 6, 7],
            'c' => [3, 3, 3],
            'd' => [1, 2, 3],
            'e' => [4, 4, 4],
            'f' => [6, 6, 6],
        ]);
        $study = self::with(Study::first('S', 'flow', $data), $data, [
            'labels' => ['end' => 'none'],
            'peers' => ['band' => 'range', 'target' => '4'],
            'look' => ['own' => ['a' => ['dash' => 'dotted', 'marker' => 'diamonds', 'width' => 'heavy']]],
        ]);
        $key = self::parts(self::scene($study, $data), 'key')[0];
        self::assertSame(
            ['A', '5 others', 'Peer median', 'Lowest to highest', 'target'],
            array_map(static fn(Words $w): string => $w->text(), self::words($key)),
        );
        $strokes = array_values(array_filter($key->marks, static fn(Mark $m): bool => $m instanceof Stroke));
        self::assertSame(
            [[4.5, [0.5, 5.0]], [1.3, []], [2.0, []], [1.5, [7.0, 4.0]]],
            array_map(static fn(Stroke $s): array => [$s->width, $s->dash], $strokes),
        );
        self::assertCount(1, array_filter($key->marks, static fn(Mark $m): bool => $m instanceof Box));
        // Where labels do the work there is none.
        self::assertSame(
            [],
            self::parts(self::scene(self::with($study, $data, ['labels' => ['end' => 'both']]), $data), 'key')[0]
                ->marks,
        );
    }

    public function testWordsTakeColourAndWeightByTheirMarkUp(): void
    {
        $data = self::data(['veldmere water' => [1, 2], 'b' => [1, 1]]);
        $comparison = Comparison::of(Study::first('S', 'flow', $data), $data);
        $written = '*All* fall, [half of it|Veldmere water] at Veldmere water; [not|here] 2 * 3';
        self::assertSame(
            [
                ['All', '', true],
                [' fall, ', '', false],
                ['half of it', 'focus-1', false],
                [' at ', '', false],
                ['Veldmere water', 'focus-1', false],
                ['; ', '', false],
                ['not', '', false],
                [' 2 * 3', '', false],
            ],
            array_map(array_values(...), Wording::coloured($written, $comparison)),
        );
        $study = Edit::of(Changes::read('words', ['part' => 'headline', 'text' => $written]), $comparison->study, $data)
            ->study;
        self::assertSame(
            'All fall, half of it at Veldmere water; not 2 * 3',
            Make::wording(Comparison::of($study, $data), '')->headline,
        );
        self::assertContains('{change Veldmere water since 2020}', Wording::completions($comparison, true));
    }

    public function testTargetsAreDrawnInStepsAndThoseOfOneInItsColour(): void
    {
        $data = self::data(['a' => [10, 20, 30, 40], 'b' => [5, 5, 5, 5]]);
        $scene = self::scene(
            self::with(Study::first('S', 'flow', $data), $data, [
                'peers' => ['target' => '2021 15; 2023 25; A 33; B 99'],
            ]),
            $data,
        );
        self::assertNotNull($scene->plot);
        self::assertNotNull($scene->scale);
        [$all, $own] = self::parts($scene, 'target');
        $strokes = array_values(
            array_filter([...$all->marks, ...$own->marks], static fn(Mark $m): bool => $m instanceof Stroke),
        );
        $half = $scene->plot->step() / 2;
        // For 2021 and 2022 from the middle between two periods to the next; then from there to the end.
        self::assertEqualsWithDelta(
            [
                [
                    $scene->plot->x(1) - $half,
                    round($scene->scale->at(15.0)) + 0.5,
                    $scene->plot->x(2) + $half,
                    round($scene->scale->at(15.0)) + 0.5,
                ],
                [
                    $scene->plot->x(3) - $half,
                    round($scene->scale->at(25.0)) + 0.5,
                    $scene->plot->right,
                    round($scene->scale->at(25.0)) + 0.5,
                ],
            ],
            $strokes[0]->pieces,
            1e-6,
        );
        self::assertSame(['rail', 'focus-1'], [$strokes[0]->ink->value, $strokes[1]->ink->value]);
        self::assertSame(
            ['target 25.0', 'A, target 33.0'],
            [self::words($all)[0]->text(), self::words($own)[0]->text()],
        );
        // B is no focus: its own target is not drawn, and does not stretch the axis.
        self::assertLessThan(60.0, $scene->scale->high);
    }

    public function testLargeWordsAreThePictureDrawnForLessRoom(): void
    {
        $data = self::data(['a' => [10, 20, 30], 'b' => [5, 5, 5]]);
        $study = self::with(Study::first('S', 'flow', $data), $data, ['text' => ['size' => 'large']]);
        $picture = Views::of(Comparison::of($study, $data)->study)->picture(
            Comparison::of($study, $data),
            new SquareLetters(),
            1000.0,
            500.0,
        );
        self::assertEqualsWithDelta([800.0, 400.0, 1.25], [$picture->width, $picture->height, $picture->zoom], 1e-9);
        $svg = Svg::forScreen($picture, []);
        self::assertStringContainsString('width="1000" height="500" viewBox="0 0 800 400"', $svg);
        // On a sheet the words around it grow alike, and nothing is outside.
        $sheet = (new SheetComposer(new SquareLetters()))->compose(
            Comparison::of($study, $data),
            Make::wording(Comparison::of($study, $data), 'Somebody'),
            1000.0,
            700.0,
            static fn(float $w, float $h): Scene => Views::of(Comparison::of($study, $data)->study)->picture(
                Comparison::of($study, $data),
                new SquareLetters(),
                $w,
                $h,
            ),
        );
        self::assertSame([1000.0, 700.0], [$sheet->width, $sheet->height]);
        self::assertStringContainsString('scale(1.25)', Svg::forScreen($sheet, []));
    }

    public function testAFinishTakesTheLookAndLeavesTheFigures(): void
    {
        $data = self::data(['a' => [1, 9, 2], 'b' => [5, 6, 7]]);
        $mark = ['kind' => 'event', 'at' => '2021', 'text' => 'begun'];
        $from = self::with(Study::first('S', 'flow', $data), $data, [
            'look' => ['course' => 'steps', 'last' => 'ring'],
            'labels' => ['end' => 'name', 'placed' => ['a@end' => ['x' => 5, 'y' => 5]]],
            'text' => ['size' => 'large'],
            'marks' => ['marks' => [$mark, ['kind' => 'value', 'value' => '7']]],
        ]);
        $to = self::with(Study::first('T', 'flow', $data)->withState('b', LineState::Focus), $data, [
            'labels' => ['placed' => ['b@2021' => ['x' => 1, 'y' => 1]]],
            'marks' => ['marks' => [['kind' => 'value', 'value' => '3']]],
        ]);
        $given = Style::read((array) json_decode((string) json_encode(Style::of($from)->toArray()), true))->givenTo(
            $to,
        );
        self::assertSame(
            ['T', ['a' => 1, 'b' => 2], 'steps', 'ring', 'name', 'large', ['b@2021']],
            [
                $given->name,
                $given->focus,
                $given->part(LookPart::class)->course,
                $given->part(LookPart::class)->last,
                $given->part(LabelsPart::class)->end,
                $given->part(TextPart::class)->size,
                array_keys($given->part(LabelsPart::class)->placed),
            ],
        );
        self::assertSame(['value', 'event'], array_column($given->part(MarksPart::class)->marks, 'kind'));
        self::assertEquals($given, Style::of($from)->givenTo($given));
        $full = $to->withPart(MarksPart::from(['marks' => array_fill(0, 24, ['kind' => 'value', 'value' => '3'])]));
        $this->expectExceptionMessage('there are 24 annotations');
        Style::of($from)->givenTo($full);
    }

    public function testAnEntityHasItsOwnHueWhereverItIsInFocus(): void
    {
        $data = self::data(['a' => [1, 9, 2], 'b' => [5, 6, 7], 'c' => [5, 5, 5]], ['b' => 1, 'c' => 4]);
        $study = Study::first('S', 'flow', $data);
        self::assertSame(['a' => 1], $study->focus);
        $focus = static fn(Study $study, string $entity): Study => Edit::of(
            Changes::read('state', ['entity' => $entity, 'state' => 'focus']),
            $study,
            $data,
        )->study;
        self::assertSame(['a' => 2, 'b' => 1], $focus($study, 'b')->focus);
        self::assertSame(['a' => 2, 'b' => 1, 'c' => 4], $focus($focus($study, 'b'), 'c')->focus);
        // A rule that finds it gives it the same.
        self::assertSame(
            1,
            Comparison::of(self::with($study, $data, ['rule' => ['by' => 'top', 'count' => '1']]), $data)->study->focus[
                'b'
            ],
        );
    }

    /**
     * @param array<string, list<int>> $series
     * @param array<string, int> $hues
     */
    private static function data(array $series, array $hues = []): DataInMemory
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020', $series]]);
        $entities = array_map(
            static fn(Entity $e): Entity => new Entity($e->key, $e->name, '', false, [], $hues[$e->key] ?? 0),
            array_values($data->entities()),
        );

        return new DataInMemory(array_values($data->measures()), $entities, ['flow' => $data->table('flow')]);
    }

    /** @param array<string, array<string, mixed>> $parts settings by part */
    private static function with(Study $study, DataInMemory $data, array $parts): Study
    {
        foreach ($parts as $part => $settings) {
            $study = Edit::of(Changes::read('set', ['part' => $part, 'settings' => $settings]), $study, $data)->study;
        }

        return $study;
    }

    private static function scene(Study $study, DataInMemory $data): Scene
    {
        return (new LinesComposer(new SquareLetters()))->compose(Lineup::of(Comparison::of($study, $data)), 900, 400);
    }

    /** @return list<Group> */
    private static function parts(Scene $scene, string $role): array
    {
        return array_values(
            array_filter($scene->marks, static fn(Mark $m): bool => $m instanceof Group && $m->role === $role),
        );
    }

    /** @return list<Words> */
    private static function words(Group $group): array
    {
        return array_values(array_filter($group->marks, static fn(Mark $m): bool => $m instanceof Words));
    }
}
