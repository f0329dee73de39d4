<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\Facet;
use DuskRail\Outcome\Facets;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Time\PeriodRange;
use DuskRail\Words\LiveNumber;
use DuskRail\Words\Sentences\Claim;
use DuskRail\Words\Sentences\PlaceAmongPeers;
use DuskRail\Words\Sentences\RecordAtEnd;
use DuskRail\Words\Sentences\Sentences;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What is proposed to be said, on tables made so that it holds, nearly holds, or does not. */
final class SentencesTest extends TestCase
{
    /** @return iterable<string, array{array<string, list<int|null>>, string, bool}> */
    public static function tables(): iterable
    {
        $peers = ['a' => [5, 5, 5, 5, 5, 5, 5], 'b' => [6, 6, 6, 6, 6, 6, 6], 'c' => [7, 7, 7, 7, 7, 7, 7]];
        yield 'lowest of all' => [
            ['home' => [9, 8, 7, 6, 5, 4, 3], ...$peers],
            'Home is the lowest of all 4, highest of 4 in 2015',
            true,
        ];
        yield 'not the lowest when it shares the place' => [
            ['home' => [9, 8, 7, 7, 7, 6, 5], ...$peers],
            'Home is the lowest',
            false,
        ];
        yield 'not of all when there are only two' => [
            ['home' => [9, 8, 7, 6, 5, 4, 3], 'a' => $peers['a']],
            'Home is the lowest',
            false,
        ];
        yield 'fallen' => [['home' => [20, 18, 16, 14, 12, 11, 10]], 'Home has fallen by 50 % since 2015', true];
        yield 'fallen to nothing' => [['home' => [20, 18, 16, 14, 12, 11, 0]], 'Home has fallen by 100 % since', true];
        yield 'fallen to nearly nothing' => [
            ['home' => [20_000, 18, 16, 14, 12, 11, 30]],
            'Home has fallen by 99.9 % since',
            true,
        ];
        yield 'hardly changed' => [
            ['home' => [1000, 1100, 900, 1000, 1000, 1000, 1005]],
            'Home has hardly changed since 2015',
            true,
        ];
        yield 'no per cent of a base below zero' => [['home' => [-5, 1, 2, 3, 4, 5, 10]], 'Home has risen by 15', true];
        yield 'a run' => [['home' => [5, 9, 8, 7, 6, 5, 4]], 'Home has fallen for 5 years in a row', true];
        yield 'no run through an equal value' => [['home' => [9, 8, 7, 6, 6, 5, 4]], 'in a row', false];
        yield 'no run through a gap' => [['home' => [9, 8, 7, null, 6, 5, 4]], 'in a row', false];
        yield 'crossed' => [
            ['home' => [9, 9, 9, 4, 4, 4, 4], ...$peers],
            'Home has been below the peer median since 2018',
            true,
        ];
        yield 'not crossed when it only touches' => [
            ['home' => [9, 9, 9, 9, 9, 6, 6], ...$peers],
            'Home has been below',
            false,
        ];
        yield 'not crossed for two periods' => [
            ['home' => [9, 9, 9, 9, 9, 4, 4], ...$peers],
            'Home has been below',
            false,
        ];
        yield 'never further apart' => [
            ['home' => [7, 7, 8, 8, 9, 9, 20], ...$peers],
            'is wider in 2021 than ever before',
            true,
        ];
        yield 'as far apart before' => [['home' => [20, 7, 8, 8, 9, 9, 20], ...$peers], 'is wider', false];
        yield 'a gap that closed' => [
            ['home' => [7, 7, 30, 8, 8, 7, 7], ...$peers],
            'was widest in 2017 and has narrowed since',
            true,
        ];
        yield 'a record' => [
            ['home' => [9, 5, 8, 4, 7, 6, 3]],
            'Home is at its lowest since 2015, the start of the data',
            true,
        ];
        yield 'no record when it was as low before' => [['home' => [9, 5, 8, 3, 7, 6, 3]], 'at its lowest', false];
        yield 'nothing of a line without values' => [
            ['home' => [null, null, null, null, null, null, null], ...$peers],
            'Home',
            false,
        ];
    }

    /** @param array<string, list<int|null>> $series */
    #[DataProvider('tables')]
    public function testOnlyWhatTheFiguresCarryIsProposed(array $series, string $sentence, bool $holds): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2015', $series]]);
        $comparison = Comparison::of(Make::study($data), $data);
        $said = array_map(
            static fn(Claim $c): string => LiveNumber::filled($c->sentence, $comparison),
            Sentences::of($comparison),
        );
        $among = array_filter($said, static fn(string $s): bool => str_contains($s, $sentence));
        self::assertSame($holds, $among !== [], implode(' | ', $said));
    }

    /** A record of months counts from two years on: the month that it does not beat is not one of them. */
    #[TestWith([14, true])]
    #[TestWith([15, false])]
    public function testARecordIsOneFromTwoWholeYearsOn(int $higher, bool $isOne): void
    {
        $values = array_map(static fn(int $i): int => $i === $higher ? 500 : 101 + $i, range(0, 39));
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2021-01', ['home' => $values]]]);
        $claims = array_map(
            static fn(Claim $claim): string => $claim->sentence,
            (new RecordAtEnd())->claims(Comparison::of(Make::study($data), $data)),
        );
        self::assertSame($isOne, str_contains(implode($claims), 'highest'));
    }

    public function testALineThatMovedThreePlacesIsToldWhicheverWayItMoved(): void
    {
        $series = ['home' => [75, 50, 25], 'marl' => [25, 50, 75]];
        foreach (range(1, 8) as $n) {
            $series["s{$n}"] = [10 * $n, 10 * $n, 10 * $n];
        }
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020', $series]]);
        $study = Make::study($data)->withState('marl', LineState::Focus);
        $claims = (new PlaceAmongPeers())->claims(Comparison::of($study, $data));
        self::assertSame(
            ['Home has moved from rank 2 of 10 to rank 8 of 10', 'Marl has moved from rank 8 of 10 to rank 2 of 10'],
            array_map(static fn(Claim $claim): string => strstr($claim->sentence, ' since', true) ?: '', $claims),
        );
    }

    public function testOnlyAChangeLosesItsSignBehindAWordThatSaysWhichWayItWent(): void
    {
        $data = Make::data(['flow' => ['€', MeasureKind::Stock, '2020', ['home' => [4, -3], 'marl' => [8, 2]]]]);
        $study = Make::study($data);
        $filled = static fn(string $words): string => LiveNumber::filled($words, Comparison::of($study, $data));
        self::assertSame('It fell to −3', $filled('It fell to {value Home}'));
        self::assertSame(
            'It fell by 75 %, and Home is −3',
            $filled('It fell by {change Marl since 2020}, and Home is {value Home}'),
        );
        self::assertSame('A change of −75 %', $filled('A change of {change Marl since 2020}'));
        self::assertSame('“It fell” and ‘lost’ to −3 €', $filled('“It fell” and ‘lost’ to {value Home} €'));
    }

    public function testNumbersInTheWordsFollowTheFiguresAndSayWhenTheWordsNoLongerHold(): void
    {
        $data = static fn(int $last): DataInMemory => Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Stock,
                '2020',
                ['home' => [200, 180, $last], 'marl' => [100, 90, 95], 'tarrow' => [10, 10, 10]],
            ],
        ]);
        $words =
            'Home is down {change Home since 2020} at {value home}, place {place Home}; it was {value Home in 2021}';
        $study = Edit::of(
            Changes::read('words', ['part' => 'headline', 'text' => $words]),
            Make::study($data(150)),
            $data(150),
        )->study;
        $headline = static fn(DataInMemory $on): string => Make::wording(Comparison::of($study, $on), '')->headline;
        self::assertSame('Home is down 25 % at 150, place 1st of 3; it was 180', $headline($data(150)));
        self::assertSame('Home is down 50 % at 100, place 1st of 3; it was 180', $headline($data(100)));
        self::assertSame([], self::said($study, $data(100)));
        self::assertSame(
            [
                'The text says down, but the change is +20 %: the value then 200, now 240: (240 ÷ 200 − 1) × ' .
                '100 = 20 %.',
            ],
            self::said($study, $data(240)),
        );
        $unknown = Edit::of(
            Changes::read('words', ['part' => 'headline', 'text' => 'See {value Nobody} in {period}']),
            $study,
            $data(150),
        )->study;
        self::assertSame(
            'See {value Nobody} in 2022',
            Make::wording(Comparison::of($unknown, $data(150)), '')->headline,
        );
        self::assertSame(
            ['“{value Nobody}” in the text does not match a line or period of this study. Correct it.'],
            self::said($unknown, $data(150)),
        );
        // Of an index the mean of its base is what it is measured by; percentages differ by points.
        $indexed = Comparison::of(
            Make::study($data(150), StopCatalogue::make('index', ['base' => '2020..2021'])),
            $data(150),
        );
        self::assertSame('by −21 %', LiveNumber::filled('by {change Home since 2020..2021}', $indexed));
        $shares = Comparison::of(Make::study($data(150), StopCatalogue::make('share', [])), $data(150));
        self::assertSame('−5.7 points', LiveNumber::filled('{change Home since 2020}', $shares));
    }

    public function testOfALineThatEndedBeforeTheTimeShownNothingIsSaidAndItsPanelComesLast(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2018',
                ['home' => [1, 2, null, null, null, null], 'a' => [5, 6, 7, 8, 9, 12], 'b' => [6, 5, 6, 7, 9, 10]],
            ],
        ]);
        $study = Make::study($data)
            ->withState('b', LineState::Focus)
            ->withRange(PeriodRange::parse('2021..2023'))
            ->withPart(PanelsPart::from(['by' => 'entity', 'order' => 'change']));
        $comparison = Comparison::of($study, $data);
        self::assertStringNotContainsString(
            'Home',
            implode(' ', array_map(static fn(Claim $c): string => $c->sentence, Sentences::of($comparison))),
        );
        self::assertSame(
            ['a', 'b', 'home'],
            array_map(static fn(Facet $f): ?string => $f->own?->key, Facets::of($comparison)),
        );
    }

    public function testWhatIsNoNumberInTheWordsIsSaidAndTheNearestWordSaysTheWay(): void
    {
        $data = Make::data([
            'flow' => ['Ml', MeasureKind::Flow, '2018', ['home' => [100, 90, 62], 'a' => [5, 6, 7], 'b' => [6, 5, 6]]],
        ]);
        $comparison = Comparison::of(Make::study($data), $data);
        $faults = static fn(string $words): string => implode(' ', LiveNumber::faults($words, $comparison));
        self::assertStringContainsString('“{gap Home}” in the text is unknown', $faults('It is {gap Home} now'));
        self::assertSame('', $faults('Less than two years ago Home changed by {change Home since 2018}'));
        self::assertSame(
            'Less than two years ago Home changed by −38 %',
            LiveNumber::filled('Less than two years ago Home changed by {change Home since 2018}', $comparison),
        );
        self::assertSame('', $faults('Up to a peak and then it fell by {change Home since 2018}'));
        self::assertStringContainsString(
            'The text says up',
            $faults('Down at first, Home rose by {change Home since 2018}'),
        );
        self::assertSame('In 2020: 62.0', LiveNumber::filled('In {period}: {value Home in 2020}', $comparison));
        // What is offered while typing can be read.
        self::assertSame('−38 %', LiveNumber::filled('{change Home since 2018}', $comparison));
    }

    /** @return list<string> */
    private static function said(Study $study, DataInMemory $data): array
    {
        return array_column(
            array_filter(
                Signals::of(Comparison::of($study, $data)),
                static fn(Notice $n): bool => str_starts_with($n->id, 'words-'),
            ),
            'sentence',
        );
    }
}
