<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Numerals;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\LineState;
use DuskRail\Document\OwnWords;
use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\RosterSort;
use DuskRail\Document\Study;
use DuskRail\Document\StudyDocument;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Stop;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Targets;
use DuskRail\Time\PeriodRange;
use DuskRail\Words\Readout;
use DuskRail\Words\Wording;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class StudyTest extends TestCase
{
    public function testTheFirstStudyPutsHomeInFocusBeforeItsPeers(): void
    {
        $data = self::four();
        $comparison = Comparison::of(Study::first('First', 'flow', $data), $data);
        self::assertSame(['home'], array_map(static fn(Line $l): string => $l->key, $comparison->focus()));
        // The median is of the peers alone: 4, 6 and 20 at the end, not 100.
        self::assertSame(6.0, $comparison->peerLine[3]);
        self::assertSame('Home: 100 in 2023; the median of its 3 peers is 6', Make::wording($comparison, '')->headline);
    }

    public function testNeighboursShareFiguresBehindAWindowOrARunningTotalAlone(): void
    {
        $data = self::four();
        $smoothed = static fn(string ...$stops): bool => Comparison::of(
            Make::study($data, ...array_map(static fn(string $s): Stop => StopCatalogue::make($s, []), $stops)),
            $data,
        )->isSmoothed();
        self::assertSame(
            [false, true, true, true],
            [$smoothed(), $smoothed('rolling'), $smoothed('running-total'), $smoothed('rolling', 'rank')],
        );
    }

    public function testOffLinesTakeNoPartAndAMissingValueIsLeftOutOfTheMedian(): void
    {
        $data = self::four();
        $study = Study::first('First', 'flow', $data)->withState('corrow', LineState::Off);
        $comparison = Comparison::of($study, $data);
        self::assertSame([2.0, 3.0, 2.0, 5.0], $comparison->peerLine);
        self::assertSame(
            ['home', 'marl', 'tarrow'],
            array_map(static fn(Line $l): string => $l->key, $comparison->present()),
        );
    }

    public function testHuesStayWithTheirLinesAndSixIsTheMost(): void
    {
        $study = new Study('S', 'flow', Rail::of());
        foreach (['a', 'b', 'c'] as $key) {
            $study = $study->withState($key, LineState::Focus);
        }
        $study = $study->withState('a', LineState::Peer)->withState('d', LineState::Focus);
        self::assertSame(['b' => 2, 'c' => 3, 'd' => 1], $study->focus);
        foreach (['e', 'f', 'g'] as $key) {
            $study = $study->withState($key, LineState::Focus);
        }
        $this->expectExceptionMessage('Six lines are in focus');
        $study->withState('h', LineState::Focus);
    }

    public function testCalculationsReachOutsideTheRangeThatIsShown(): void
    {
        $data = Make::leakage();
        $study = Make::study(
            $data,
            StopCatalogue::make('rolling', ['window' => 12]),
            StopCatalogue::make('index', ['base' => '2019']),
        );
        $whole = Comparison::of($study, $data);
        $part = Comparison::of($study->withRange(PeriodRange::parse('2020-06..2020-12')), $data);
        self::assertSame([17, 23], [$part->from, $part->to]);
        self::assertFalse(is_nan($part->lines[0]->values[17]));
        self::assertSame(var_export($whole->lines[0]->values, true), var_export($part->lines[0]->values, true));
    }

    /** @param list<string> $expected */
    #[TestWith([RosterSort::Name, ['corrow', 'home', 'marl', 'tarrow']])]
    #[TestWith([RosterSort::Highest, ['home', 'corrow', 'tarrow', 'marl']])]
    #[TestWith([RosterSort::Lowest, ['marl', 'tarrow', 'corrow', 'home']])]
    public function testTheRosterIsSortedByNameOrLatestValue(RosterSort $sort, array $expected): void
    {
        $data = self::four();
        $lines = Comparison::of(Study::first('First', 'flow', $data)->withSort($sort), $data)->sorted();
        self::assertSame($expected, array_map(static fn(Line $l): string => $l->key, $lines));
    }

    public function testAPointSaysItsValueItsChangeAndItsPlace(): void
    {
        $data = Make::leakage();
        $comparison = Comparison::of(Make::study($data), $data);
        $points = Readout::along(Lineup::of($comparison), $comparison->lines[1])['points'];
        self::assertSame(
            ['January 2020', '62 Ml per month', '+12 on a year before · 2nd highest of 3'],
            $points[12],
        );
        self::assertSame(['March 2019', '52 Ml per month', '2nd highest of 3'], $points[2]);
    }

    public function testAStudyReadsBackFromItsDocument(): void
    {
        $data = Make::leakage();
        $study = Make::study(
            $data,
            StopCatalogue::make('per-denominator', ['measure' => 'connections', 'times' => 1e6]),
            StopCatalogue::make('rolling', ['window' => 12, 'needed' => 6]),
            StopCatalogue::make('index', ['base' => '2019-03..2019-05']),
        )
            ->withOff(['tarrow'])
            ->withRange(PeriodRange::parse('2019-06..2020-12'))
            ->withSort(RosterSort::Lowest)
            ->withWords(new OwnWords('A', null, 'B'))
            ->withPart(
                new PeersPart(
                    'group:Plain',
                    'hidden',
                    PeerLine::Pooled,
                    Band::Deciles,
                    Targets::parse('4.5; Marl 2020 3'),
                ),
            );
        $document = json_decode((string) json_encode(StudyDocument::write($study)), true);
        self::assertIsArray($document);
        self::assertEquals($study, StudyDocument::read($document));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function brokenDocuments(): iterable
    {
        yield 'another format' => [['format' => 'picture'], 'format: '];
        yield 'no measure' => [['measure' => null], 'measure: must be text'];
        yield 'unknown stop' => [['rail' => [['id' => 's1', 'stop' => 'magic']]], 'rail.0: There is no stop “magic”'];
        yield 'bad setting' => [
            ['rail' => [['id' => 's1', 'stop' => 'rolling', 'settings' => ['window' => 0]]]],
            'rail.0: Rolling window: “window” is 0',
        ];
        yield 'the same id twice' => [
            ['rail' => array_fill(0, 2, ['id' => 's1', 'stop' => 'rolling'])],
            'rail: Rail: two stops have the same id.',
        ];
        yield 'a hue twice' => [['focus' => [['line' => 'a', 'hue' => 1], ['line' => 'b', 'hue' => 1]]], 'focus.1: '];
        yield 'a hue that is a text' => [['focus' => [['line' => 'a', 'hue' => '1']]], 'focus.0: '];
        yield 'a line that is a number' => [['focus' => [['line' => 7, 'hue' => 1]]], 'focus.0: '];
        yield 'a hue too many' => [['focus' => [['line' => 'a', 'hue' => 7]]], 'focus.0: '];
        yield 'a hue too few' => [['focus' => [['line' => 'a', 'hue' => 0]]], 'focus.0: '];
        yield 'a line twice' => [['focus' => [['line' => 'a', 'hue' => 1], ['line' => 'a', 'hue' => 2]]], 'focus.1: '];
        yield 'backward range' => [['range' => '2020..2019'], 'range: The range ends'];
        yield 'unknown view' => [
            ['view' => 'cake'],
            'view: can be lines, overlay, ranks, stack, contributions, before-after, sparks, scatter, figures.',
        ];
        yield 'list where none is' => [['off' => 'marl'], 'off: must be a list.'];
    }

    /** @param array<string, mixed> $changes */
    #[DataProvider('brokenDocuments')]
    public function testABrokenDocumentIsRefusedWithThePathOfWhatIsWrong(array $changes, string $message): void
    {
        $this->expectException(InvalidStudy::class);
        $this->expectExceptionMessage($message);
        StudyDocument::read([...StudyDocument::write(new Study('S', 'flow', Rail::of())), ...$changes]);
    }

    public function testChangesAreMadeOneAfterAnotherAndKeepTheRest(): void
    {
        $data = Make::leakage();
        $study = Study::first('First', 'leakage', $data);
        foreach (
            [
                ['add-stop', ['stop' => 'per-denominator']],
                ['add-stop', ['stop' => 'rolling']],
                ['add-stop', ['stop' => 'index']],
                ['change-stop', ['id' => 's3', 'settings' => ['base' => 'month#24240']]],
                ['bypass-stop', ['id' => 's2', 'bypassed' => '1']],
                ['state', ['entity' => 'marl', 'state' => 'focus']],
                ['state', ['entity' => 'tarrow', 'state' => 'off']],
                ['words', ['part' => 'headline', 'text' => '  Home   leads ']],
                ['range', ['range' => '2020']],
                ['rename', ['name' => 'Second']],
            ] as [$name, $input]
        ) {
            $study = Edit::of(Changes::read($name, $input), $study, $data)->study;
        }
        self::assertSame(['home' => 1, 'marl' => 2], $study->focus);
        self::assertSame(['tarrow'], $study->off);
        self::assertSame('Home leads', $study->words->headline);
        self::assertSame(['Second', '2020'], [$study->name, $study->range?->code()]);
        self::assertSame('2020-01', $study->rail->stop('s3')?->stop->settings()['base']);
        self::assertTrue($study->rail->stop('s2')?->bypassed);
        $study = Edit::of(Changes::read('words', ['part' => 'headline', 'text' => '']), $study, $data)->study;
        self::assertNull($study->words->headline);
        self::assertSame([], Edit::of(Changes::read('release', []), $study, $data)->study->focus);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function refusedChanges(): iterable
    {
        yield 'order that makes no sense' => ['move-stop', ['id' => 's2', 'by' => 'earlier'], 'Move this stop earlier'];
        yield 'unknown change' => ['explode', [], 'Unknown change: “explode”'];
        yield 'unknown entity' => ['state', ['entity' => 'nobody', 'state' => 'focus'], 'no “nobody”'];
        yield 'unknown measure' => ['measure', ['measure' => 'joy'], 'no measure “joy”'];
        yield 'range outside the data' => ['range', ['range' => '1999'], 'is outside the data'];
        yield 'bad window' => ['add-stop', ['stop' => 'magic'], 'There is no stop “magic”'];
        yield 'a stop that is gone' => ['change-stop', ['id' => 's9'], 'Use Undo to restore it'];
        yield 'no words for it' => ['words', ['part' => 'footnote', 'text' => 'x'], 'There is no “footnote”'];
        yield 'too many words' => ['words', ['part' => 'headline', 'text' => str_repeat('x', 401)], 'longer than 400'];
    }

    /** @param array<string, mixed> $input */
    #[DataProvider('refusedChanges')]
    public function testAChangeThatMakesNoSenseIsRefusedWithTheReason(string $name, array $input, string $message): void
    {
        $data = Make::leakage();
        $study = Make::study(
            $data,
            StopCatalogue::make('per-denominator', ['measure' => 'connections']),
            StopCatalogue::make('index', ['base' => '2019']),
        );
        $this->expectException(InvalidStudy::class);
        $this->expectExceptionMessage($message);
        Edit::of(Changes::read($name, $input), $study, $data)->study;
    }

    public function testNamesInFocusTakeTheirColourInTheWords(): void
    {
        $data = self::four();
        $comparison = Comparison::of(Study::first('First', 'flow', $data)->withState('marl', LineState::Focus), $data);
        self::assertSame(
            [['Marl', 'focus-2'], [' beats ', ''], ['Home', 'focus-1'], [', Marlow and Tarrow', '']],
            array_map(
                static fn(array $run): array => [$run['text'], $run['ink']],
                Wording::coloured('Marl beats Home, Marlow and Tarrow', $comparison),
            ),
        );
    }

    public function testTheSubtitleSaysWhatTheAxisIs(): void
    {
        $data = Make::leakage();
        $said = static fn(Study $study): string => Make::wording(Comparison::of($study, $data), '')->subtitle;
        $per = StopCatalogue::make('per-denominator', ['measure' => 'connections', 'times' => 1e6]);
        self::assertSame('Leakage, Ml per month', $said(Make::study($data)));
        self::assertSame(
            'Leakage per connection, 12-month mean, l per connection per month',
            $said(Make::study($data, $per, StopCatalogue::make('rolling', []))),
        );
        self::assertSame(
            'Leakage per connection, average of 2019 = 100',
            $said(Make::study($data, $per, StopCatalogue::make('index', ['base' => '2019']))),
        );
    }

    #[TestWith([1234567.891, 1, '1,234,567.9'])]
    #[TestWith([-0.04, 1, '0.0'])]
    #[TestWith([-12.5, 1, '−12.5'])]
    #[TestWith([NAN, 1, '–'])]
    public function testNumbersAreWrittenForPeople(float $value, int $decimals, string $expected): void
    {
        self::assertSame($expected, Numerals::text($value, $decimals));
    }

    private static function four(): DataInMemory
    {
        return Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2020',
                [
                    'home' => [10, 40, 70, 100],
                    'marl' => [1, 2, 2, 4],
                    'tarrow' => [3, 4, null, 6],
                    'corrow' => [8, 8, 8, 20],
                ],
            ],
        ]);
    }

    public function testTheBaseIsSetOnTheLastIndexInUse(): void
    {
        $data = Make::leakage();
        $study = Make::study(
            $data,
            StopCatalogue::make('index', ['base' => '2019']),
            StopCatalogue::make('index', ['base' => '2019']),
            StopCatalogue::make('index', ['base' => '2019']),
        );
        $study = $study->withRail($study->rail->replacing(new PlacedStop('s3', $study->rail->stops[2]->stop, true)));
        $moved = Edit::of(Changes::read('base-here', ['period' => '2020-03']), $study, $data)->study;
        self::assertSame(
            ['2019', '2020-03', '2019'],
            array_map(static fn(PlacedStop $p): mixed => $p->stop->settings()['base'], $moved->rail->stops),
        );
    }
}
