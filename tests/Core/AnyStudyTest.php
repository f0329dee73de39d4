<?php

declare(strict_types=1);

namespace Tests\Core;

use App\Drawing\Svg;
use DuskRail\Chart\Group;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\Mark;
use DuskRail\Chart\Placed;
use DuskRail\Chart\Scene;
use DuskRail\Chart\SheetComposer;
use DuskRail\Chart\Stroke;
use DuskRail\Chart\TrackComposer;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Study;
use DuskRail\Document\StudyDocument;
use DuskRail\Document\View;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Working;
use DuskRail\Refusal;
use DuskRail\Signals\Signals;
use DuskRail\Views\Views;
use DuskRail\Words\Readout;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\Group as TestGroup;
use PHPUnit\Framework\TestCase;

/**
 * Whatever is done to whatever table, it is refused in words or ends in a study that can be drawn, told and written
 * down.
 */
final class AnyStudyTest extends TestCase
{
    #[TestGroup('slow')]
    public function testRandomEditsOfRandomTablesAreRefusedInWordsOrCarriedOut(): void
    {
        mt_srand(2025);
        $made = $refused = 0;
        $validator = new Validator();
        $written = json_decode((string) file_get_contents(dirname(__DIR__, 2) . '/docs/study.schema.json'));
        self::assertIsObject($written);
        $schema = $validator->loader()->loadObjectSchema($written);
        // Its long form, of `bin/test --long`, takes three times as long.
        $rounds = getenv('LONG_TESTS') === false ? 40 : 120;
        for ($round = 0; $round < $rounds; $round++) {
            $data = self::data();
            $study = Study::first('Study', 'flow', $data);
            for ($edit = 0; $edit < 25; $edit++) {
                [$name, $input] = self::edit();
                try {
                    $comparison = Edit::of(Changes::read($name, $input), $study, $data);
                } catch (InvalidStudy $problem) {
                    self::assertGreaterThan(15, strlen($problem->getMessage()));
                    $refused++;
                    continue;
                }
                $study = $comparison->study;
                $this->show($comparison);
                $document = (string) json_encode(StudyDocument::write($study));
                self::assertEquals($study, StudyDocument::read((array) json_decode($document, true)));
                $validity = $validator->validate(json_decode($document), $schema);
                self::assertTrue($validity->isValid(), (string) $validity->error()?->message() . $document);
                $made++;
            }
        }
        self::assertGreaterThan(8 * $rounds, $made);
        self::assertGreaterThan(2 * $rounds, $refused);
    }

    private function show(Comparison $comparison): void
    {
        $measure = new SquareLetters();
        $lineup = Lineup::of($comparison);
        $chart = (new LinesComposer($measure))->compose($lineup, 600, 300);
        self::assertNotNull($chart->plot);
        $svg =
            Svg::forScreen($chart, []) .
            Svg::forScreen((new TrackComposer($measure))->compose($comparison, $chart->plot, 600), []) .
            Svg::forScreen(
                (new SheetComposer($measure))->compose(
                    $comparison,
                    Make::wording($comparison, 'Somebody'),
                    700,
                    400,
                    self::picture($comparison),
                ),
                [],
            );
        self::assertDoesNotMatchRegularExpression('/\bnan\b|\binf\b/i', $svg);
        $this->showAsACard($comparison);
        Signals::of($comparison);
        PeerComparison::of($comparison);
        $told = Readout::ofAll($lineup);
        foreach ($lineup->present() as $line) {
            self::assertSame(Readout::along($lineup, $line), $told[$line->key]);
        }
        foreach ($comparison->lines as $line) {
            [$run, $measured, $entity] = $comparison->traced($line->key);
            self::assertStringContainsString(
                ', ',
                Working::of(
                    $run,
                    $comparison->data,
                    $measured,
                    $entity,
                    mt_rand(0, $run->table()->axis->count - 1),
                )->text(),
            );
        }
    }

    /** Nothing of a card is outside it. */
    private function showAsACard(Comparison $comparison): void
    {
        try {
            $card = Views::of($comparison->study)->miniature($comparison, new SquareLetters(), 290.0, 146.0);
        } catch (Refusal) {
            return;
        }
        foreach (self::strokes($card->marks) as [$stroke, $x, $y]) {
            foreach ($stroke->pieces as $piece) {
                foreach (array_chunk($piece, 2) as [$left, $top]) {
                    self::assertTrue(
                        $x + $left >= -0.5 && $x + $left <= 290.5 && $y + $top >= -0.5 && $y + $top <= 146.5,
                        "{$left}, {$top} of {$comparison->study->view} is outside the card",
                    );
                }
            }
        }
    }

    /**
     * @param list<Mark> $marks
     * @return list<array{Stroke, float, float}> with where they are placed
     */
    private static function strokes(array $marks, float $x = 0.0, float $y = 0.0): array
    {
        $all = [];
        foreach ($marks as $mark) {
            $all = match (true) {
                $mark instanceof Stroke => [...$all, [$mark, $x, $y]],
                $mark instanceof Group => [...$all, ...self::strokes($mark->marks, $x, $y)],
                $mark instanceof Placed => [...$all, ...self::strokes($mark->marks, $x + $mark->x, $y + $mark->y)],
                default => $all,
            };
        }

        return $all;
    }

    /** @return callable(float, float): Scene in the view of the study, or as lines where it says why that cannot be */
    private static function picture(Comparison $comparison): callable
    {
        return static function (float $width, float $height) use ($comparison): Scene {
            try {
                return Make::picture($comparison, $width, $height);
            } catch (Refusal $problem) {
                self::assertGreaterThan(15, strlen($problem->getMessage()));
                $plain = $comparison->study->withView('lines')->withPart(new PanelsPart());

                return Make::picture(Comparison::of($plain, $comparison->data->source()), $width, $height);
            }
        };
    }

    private static function data(): DataInMemory
    {
        $first = self::one(['2021-01', '2020', '2023-Q2', '2024-W03', '2023-12-20', '#3']);
        $length = mt_rand(1, 30);
        $series = $people = [];
        for ($i = 0, $count = mt_rand(1, 7); $i < $count; $i++) {
            $series["s{$i}"] = array_map(
                static fn(): ?float => mt_rand(0, 7) === 0 ? null : (float) mt_rand(-5, 60),
                range(1, $length),
            );
            $people["s{$i}"] = array_map(
                static fn(): ?float => mt_rand(0, 9) === 0 ? null : (float) mt_rand(0, 50),
                range(1, 3),
            );
        }
        $measures = ['flow' => ['Ml', self::one(MeasureKind::cases()), $first, $series]];

        return Make::data(
            $first === '#3' ? $measures : [...$measures, 'people' => ['people', MeasureKind::Stock, '2020', $people]],
        );
    }

    /** @return array{string, array<string, mixed>} */
    private static function edit(): array
    {
        $id = 's' . mt_rand(1, 4);
        $add = ['add-stop', ['stop' => self::one(array_keys(StopCatalogue::all()))]];

        return self::one([
            $add,
            $add,
            $add,
            ['move-stop', ['id' => $id, 'by' => self::one(['earlier', 'later'])]],
            ['bypass-stop', ['id' => $id, 'bypassed' => self::one(['0', '1'])]],
            ['remove-stop', ['id' => $id]],
            ['state', ['entity' => 's' . mt_rand(0, 6), 'state' => self::one(['focus', 'peer', 'off'])]],
            [
                'range',
                [
                    'range' => self::one([
                        '',
                        '2021',
                        '2021-03..2021-08',
                        '2020',
                        '2023-Q3',
                        '#5..#9',
                        '2024-W05',
                        '2023-12-25..2024-01-10',
                    ]),
                ],
            ],
            [
                'change-stop',
                [
                    'id' => $id,
                    'settings' => [
                        'to' => self::one(['median', 'quartile', 'focus', 'year', 'quarter', 'month']),
                        'as' => self::one(['difference', 'percent', 'ratio', 'index', 'place']),
                        'base' => self::one(['2021', '2020', '2021-04', '#4', 'once']),
                        'at' => self::one(['first', 'highest', 'period', 'event']),
                        'along' => self::one(['calendar', 'since']),
                        'text' => self::one([
                            'here × 2',
                            'here ÷ People × 1000',
                            'Flow − here',
                            '(here + Flow) ÷ 0',
                            'here ÷ (Flow − Flow)',
                        ]),
                        'window' => (string) mt_rand(1, 9),
                        'statistic' => self::one(['mean', 'median', 'sum', 'lowest']),
                    ],
                ],
            ],
            [
                'set',
                [
                    'part' => 'axis',
                    'settings' => [
                        'start' => self::one(['cut', 'zero']),
                        'log' => self::one(['0', '1']),
                        'low' => self::one(['', '', '1']),
                        'view' => 'lines',
                    ],
                ],
            ],
            ['view', ['view' => self::one(['lines', 'overlay', 'stack', 'sparks', 'scatter', 'figures'])]],
            ['view', ['view' => self::one(['lines', 'overlay', 'stack', 'sparks', 'scatter', 'figures'])]],
            ['panels', []],
            [
                'add-mark',
                [
                    'settings' => [
                        'kind' => self::one(['event', 'spell', 'value', 'point', 'drop', 'note']),
                        'at' => self::one(['2021', '2021-03', '#5', 'never']),
                        'to' => '2021-08',
                        'line' => 's0',
                        'value' => '12',
                        'text' => self::one(['', 'So <it> was']),
                    ],
                ],
            ],
            ['remove-mark', ['number' => '0']],
            [
                'set',
                [
                    'part' => 'labels',
                    'settings' => [
                        'points' => self::one(['', 'first,last', 'highest,lowest']),
                        'more' => self::one(['0', '5', '200']),
                        'end' => self::one(['both', 'none', 'value']),
                    ],
                ],
            ],
            ['draw-row', ['row' => self::one(['s1', 'g:Left', 'm:flow'])]],
            [
                'set',
                [
                    'part' => 'look',
                    'settings' => [
                        'own' => ['s0' => ['dash' => 'dotted', 'marker' => self::one(['', 'rings', 'diamonds'])]],
                    ],
                ],
            ],
            [
                'set',
                [
                    'part' => 'panels',
                    'settings' => [
                        'by' => self::one(['none', 'entity', 'group', 'measure', 'year', 'month']),
                        'scale' => self::one(['same', 'own', 'span']),
                        'order' => self::one(['latest', 'change', 'slope', 'hand']),
                        'axis' => self::one(['edge', 'every', 'range']),
                    ],
                ],
            ],
            [
                'set',
                [
                    'part' => 'stack',
                    'settings' => ['form' => self::one(['areas', 'lines', 'shares', 'through']), 'top' => '2'],
                ],
            ],
            [
                'set',
                [
                    'part' => 'sparks',
                    'settings' => [
                        'form' => self::one(['line', 'columns', 'signs']),
                        'scale' => 'common',
                        'sort' => self::one(['latest', 'trend']),
                    ],
                ],
            ],
            [
                'set',
                [
                    'part' => 'scatter',
                    'settings' => [
                        'at' => self::one(['latest', 'mean', 'path']),
                        'fits' => '1',
                        'size' => 'people',
                        'editing' => self::one(['x', 'y']),
                        'lowX' => self::one(['', '5']),
                    ],
                ],
            ],
            [
                'set',
                [
                    'part' => 'overlay',
                    'settings' => [
                        'start' => self::one(['1', '4', '7']),
                        'band' => '1',
                        'cycle' => self::one(['year', 'month', 'week']),
                    ],
                ],
            ],
            [
                'set',
                [
                    'part' => 'look',
                    'settings' => [
                        'course' => self::one(['smooth', 'steps']),
                        'area' => '1',
                        'points' => '1',
                        'lit' => self::one(['all', 'from', 'above']),
                        'litAt' => self::one(['', '2021', '7']),
                    ],
                ],
            ],
            [
                'set',
                [
                    'part' => 'rule',
                    'settings' => [
                        'by' => self::one(['hand', 'top', 'bottom', 'past']),
                        'of' => self::one(['latest', 'change', 'slope', 'rank']),
                        'value' => '20',
                    ],
                ],
            ],
            [
                'set',
                [
                    'part' => 'lines',
                    'settings' => [
                        'across' => self::one(['entities', 'entities', 'measures']),
                        'groups' => self::one(['', 'Left']),
                    ],
                ],
            ],
            [
                'set',
                [
                    'part' => 'peers',
                    'settings' => [
                        'line' => self::one(['none', 'median', 'mean', 'together']),
                        'band' => self::one(['none', 'range', 'deciles']),
                        'target' => self::one(['', '12.5', '-3', '2020 9; 2022 7; S1 30']),
                    ],
                ],
            ],
            [
                'set',
                [
                    'part' => 'tone',
                    'settings' => [
                        'by' => self::one(['none', 'latest', 'change', 'place', 'target']),
                        'scale' => self::one(['rising', 'about']),
                        'middle' => self::one(['', '20']),
                    ],
                ],
            ],
            ['set', ['part' => 'text', 'settings' => ['size' => self::one(['small', 'large'])]]],
            [
                'move-label',
                [
                    'label' => self::one(['s0@end', '@end', 's0@2021-03', 's1@#5']),
                    'x' => self::one(['', '-80', '12.5']),
                    'y' => '-30',
                ],
            ],
            [
                'words',
                [
                    'part' => 'headline',
                    'text' => self::one(['', '*S0* falls by {change S0 since 2021}', '[half|S0] and [all|nobody]']),
                ],
            ],
        ]);
    }

    /**
     * @template T
     *
     * @param list<T> $choices
     * @return T
     */
    private static function one(array $choices): mixed
    {
        return $choices[mt_rand(0, count($choices) - 1)];
    }
}
