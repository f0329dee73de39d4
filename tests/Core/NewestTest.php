<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Group;
use DuskRail\Chart\Stroke;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\ConventionsPart;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\RosterSort;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\SparkRow;
use DuskRail\Outcome\SparkTable;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Time\PeriodRange;
use DuskRail\Words\LiveNumber;
use DuskRail\Words\Readout;
use DuskRail\Words\Sentences\Claim;
use DuskRail\Words\Sentences\Sentences;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What is said goes by the latest period that is finished and in for most, and every view says the same. */
final class NewestTest extends TestCase
{
    public function testAnUnfinishedYearIsDrawnDashedAndNotSpokenOf(): void
    {
        // Ten a month, without any change, from January 2018 to March 2026.
        $data = self::flow('2018-01', array_fill_keys(['home', 'a', 'b', 'c'], array_fill(0, 99, 10)));
        $study = Make::study($data, StopCatalogue::make('period', ['to' => 'year']));
        $comparison = Comparison::of($study, $data);
        self::assertSame('Home: 120 in 2025; the median of its 3 peers is 120', self::headline($comparison));
        self::assertSame(['Home has hardly changed since 2018'], self::sentences($comparison));
        self::assertSame(
            [0.0, 0.0],
            [
                PeerComparison::of($comparison)[0]->trend->growth,
                SparkTable::of($study, $comparison)->groups[''][0]->course->change,
            ],
        );
        self::assertSame(
            '2025: 120, joint 1st of 4',
            LiveNumber::filled('{period}: {value Home}, {place Home}', $comparison),
        );
        self::assertSame(
            '2026 is incomplete (3 of 12 months) and shown dashed.',
            $comparison->run->steps[0]->outcome->remarks[0]->sentence,
        );
        // Drawn it is, up to its 30; the line of the peers is dashed there as all others are.
        self::assertSame(30.0, $comparison->line('home')?->end());
        foreach (Make::picture($comparison)->marks as $group) {
            if ($group instanceof Group && in_array($group->role, ['series', 'median'], true)) {
                $dashed = array_filter($group->marks, static fn($m): bool => $m instanceof Stroke && $m->dash !== []);
                self::assertNotSame([], $dashed, $group->role);
            }
        }
        // Where the incomplete year is not shown, nothing is dashed, and the latest shown is spoken of.
        $until = Comparison::of($study->withRange(PeriodRange::parse('2018..2024')), $data);
        self::assertSame('Home: 120 in 2024; the median of its 3 peers is 120', self::headline($until));
        foreach (Make::picture($until)->marks as $group) {
            if ($group instanceof Group && in_array($group->role, ['series', 'median'], true)) {
                $strokes = array_filter($group->marks, static fn($m): bool => $m instanceof Stroke);
                // A line in focus has its halo besides.
                self::assertCount(($group->facts['line'] ?? '') === 'home' ? 2 : 1, $strokes);
            }
        }
        // Shown by itself it is drawn and not spoken of.
        $alone = Comparison::of($study->withRange(PeriodRange::parse('2026')), $data);
        self::assertSame(['Home has no complete value yet', []], [self::headline($alone), self::sentences($alone)]);
        // A change into an incomplete year is one of unlike lengths, and the last that is spoken of is before it.
        $change = Comparison::of($study->withRail($study->rail->with(StopCatalogue::make('change', []))), $data);
        self::assertSame('Home: 0 in 2025; the median of its 3 peers is 0', self::headline($change));
    }

    public function testALineThatEndedIsNotUnfinishedAndOfTheNewestYearAllLinesHaveTheSameMonths(): void
    {
        $months = static fn(int $count): array => [...array_fill(0, $count, 10), ...array_fill(0, 40 - $count, null)];
        $data = self::flow('2020-01', [
            'home' => $months(39),
            'ended' => $months(30),
            'early' => $months(40),
            'late' => $months(38),
            'more' => $months(39),
        ]);
        $run = Make::run($data, 'period', ['to' => 'year']);
        self::assertSame([120.0, 120.0, 120.0, 30.0], Make::values($run, 'home'));
        // Six months of 2022 are no year, and 2022 is not the latest.
        self::assertSame([120.0, 120.0, null, null], Make::values($run, 'ended'));
        self::assertSame(30.0, Make::values($run, 'early')[3]);
        self::assertNull(Make::values($run, 'late')[3]);
        self::assertSame(3, $run->table()->open());
        // Quarters of which the last is incomplete make a year that is incomplete.
        $rail = Make::study($data, StopCatalogue::make('period', ['to' => 'quarter']))->rail->with(
            StopCatalogue::make('period', ['to' => 'year']),
        );
        $finished = self::flow('2020-01', ['home' => array_fill(0, 35, 10), 'a' => array_fill(0, 35, 10)]);
        $years = $rail->run($finished->table('flow'), $finished)->table();
        self::assertSame([2, '11 of 12 months'], [$years->open(), $years->extent?->inWords()]);
    }

    /**
     * @param array<string, string> $period
     * @param list<float> $expected
     */
    #[TestWith(['2020-01-01', 456, ['to' => 'year'], [1.0, 1.0]])]
    #[TestWith(['2020-01-01', 456, ['to' => 'year', 'unfinished' => 'scaled'], [1.0, 1.0]])]
    #[TestWith(['2026-W01', 10, ['to' => 'year'], [1.0]])]
    #[TestWith(['2026-W01', 10, ['to' => 'year', 'unfinished' => 'scaled'], [1.0]])]
    #[TestWith(['2026-W01', 53, ['to' => 'year'], [1.0]])]
    public function testPerDayGoesByTheDaysThatFiguresStandFor(
        string $first,
        int $count,
        array $period,
        array $expected,
    ): void {
        $each = str_contains($first, 'W') ? 7 : 1;
        $data = self::flow($first, ['home' => array_fill(0, $count, $each)]);
        $rail = Make::study($data, StopCatalogue::make('period', $period), StopCatalogue::make('per-day', []))->rail;
        self::assertEqualsWithDelta(
            $expected,
            $rail->run($data->table('flow'), $data)->table()->series['home']->values,
            1e-12,
        );
    }

    public function testAfterRankTheBestIsFirstInEveryView(): void
    {
        // Home climbs from the 8th place of 8 to the 1st.
        $series = ['home' => [1, 2.5, 3.5, 4.5, 5.5, 6.5, 7.5, 8.5]];
        foreach (range(2, 8) as $value) {
            $series["p{$value}"] = array_fill(0, 8, $value);
        }
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2010', $series]]);
        foreach (['place' => 'place 1', 'percentile' => '100'] as $as => $label) {
            $study = Make::study($data, StopCatalogue::make('rank', ['as' => $as]));
            $comparison = Comparison::of($study, $data);
            $said = implode(' | ', self::sentences($comparison));
            self::assertStringNotContainsString('fallen', $said, $label);
            self::assertStringNotContainsString('lowest', $said, $label);
            self::assertStringContainsString('Home is in its best place since 2010, the start of the data', $said);
            self::assertStringContainsString('Home has gained ranks for 7 years in a row', $said);
            $row = self::row($study, $comparison, 'home');
            self::assertSame(
                [1, 1, 100.0],
                [
                    $row->rank,
                    PeerComparison::of($comparison)[0]->now()->rank,
                    PeerComparison::of($comparison)[0]->now()->percentile,
                ],
            );
            self::assertSame('1st of 8', LiveNumber::filled('{place Home}', $comparison));
        }
    }

    public function testAYearIsAYearForWeeksAndDays(): void
    {
        foreach (['2019-W01' => [52, 365.2425 / 7], '2019-01-01' => [365, 365.2425]] as $first => [$back, $perYear]) {
            $doubling = array_map(static fn(int $i): float => 100 * 2 ** ($i / $perYear), range(0, 3 * $back));
            $data = self::flow($first, ['home' => $doubling, 'a' => array_fill(0, 3 * $back + 1, 150)]);
            $standing = PeerComparison::of(Comparison::of(Make::study($data), $data))[0];
            self::assertEqualsWithDelta(100.0, $standing->trend->growth, 1e-6);
            // The course goes back year by year: 800, 400, 200.
            self::assertGreaterThanOrEqual(3, count($standing->years));
            self::assertEqualsWithDelta(0.5, $standing->years[1]->value / $standing->years[0]->value, 0.01);
        }
    }

    public function testPuttingALineInFocusMovesNoYardstick(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2020',
                ['home' => [5, 20], 'a' => [1, 10], 'b' => [2, 11], 'c' => [3, 13], 'd' => [4, 13], 'e' => [6, 40]],
            ],
        ]);
        $against = StopCatalogue::make('against', ['as' => 'difference']);
        $seen = [];
        foreach ([[], ['a'], ['a', 'c'], ['a', 'c', 'd', 'e']] as $others) {
            $study = array_reduce(
                $others,
                static fn(Study $s, string $key): Study => $s->withState($key, LineState::Focus),
                Make::study($data),
            );
            $comparison = Comparison::of($study, $data);
            $gap = Comparison::of($study->withRail($study->rail->with($against)), $data)->line('home')?->latest();
            $seen[] = [self::headline($comparison), $comparison->peerLine, $gap];
            foreach (PeerComparison::of($comparison) as $standing) {
                // 40, 20, 13, 13, 11, 10
                self::assertSame(
                    [['e' => 1, 'home' => 2, 'c' => 3, 'd' => 3, 'b' => 5, 'a' => 6][$standing->line->key], 6, 13.0],
                    [$standing->now()->rank, $standing->now()->of, $standing->now()->median],
                );
            }
        }
        self::assertSame(
            [['Home: 20.0 in 2021; the median of its 5 peers is 13.0', [3.0, 13.0], 7.0]],
            array_values(array_unique($seen, SORT_REGULAR)),
        );
    }

    public function testConventionsGoThroughEverythingThatIsWorkedOutOfThePeers(): void
    {
        // The peers are at 10, 20, 40 and 80, home at 35.
        $data = self::flow('2025', ['home' => [35], 'a' => [10], 'b' => [20], 'c' => [40], 'd' => [80]]);
        $study = Make::study($data)->withPart(new PeersPart(band: Band::Quartiles));
        $house = static fn(string ...$settings): Study => $study->withPart(ConventionsPart::from($settings));
        $scored = static fn(Study $s, string $scale, string $whose = 'home'): ?float => Comparison::of(
            $s->withRail(Rail::of()->with(StopCatalogue::make('standardise', ['by' => $scale]))),
            $data,
        )->line($whose)?->values[0];
        $gap = static fn(Study $s): float => Comparison::of(
            $s->withRail(Rail::of()->with(StopCatalogue::make('against', ['to' => 'median']))),
            $data,
        )->focus()[0]->values[0];
        // By hand: places 2¾, 2¼ and 2 7⁄12 among 10, 20, 40, 80, counted from 0 (Hyndman and Fan, 1996).
        foreach (['type-6' => 70.0, 'type-7' => 50.0, 'type-8' => 40 + (7 / 12) * 40] as $type => $quartile) {
            $place = PeerComparison::of(Comparison::of($house(quantiles: $type), $data))[0]->now();
            self::assertEqualsWithDelta($quartile, $place?->bestQuartile, 1e-9, $type);
        }
        self::assertNotEquals(
            Make::picture(Comparison::of($study, $data)),
            Make::picture(Comparison::of($house(quantiles: 'type-6'), $data)),
        );
        // The mean is 37, the squares come to 2,880; the quartiles are 20 and 40, of type 6 they are 15 and 60.
        self::assertEqualsWithDelta(-2 / sqrt(720), $scored($study, 'deviations'), 1e-12);
        self::assertEqualsWithDelta(-2 / sqrt(576), $scored($house(deviation: 'population'), 'deviations'), 1e-12);
        self::assertSame(45 / 20, $scored($study, 'quartiles', 'd'));
        self::assertSame(1.0, $scored($house(quantiles: 'type-6'), 'quartiles', 'd'));
        self::assertSame([5.0, 0.0], [$gap($study), $gap($house(home: 'peer'))]);
        self::assertStringContainsString('its 4 peers', self::headline(Comparison::of($study, $data)));
        self::assertStringContainsString('all 5', self::headline(Comparison::of($house(home: 'peer'), $data)));
    }

    public function testTheGroupThatIsDrawnAsPeersIsTheOneThatIsComparedWith(): void
    {
        $made = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2020',
                [
                    'home' => [5, 5, 9],
                    'a' => [1, 1, 1],
                    'b' => [2, 2, 2],
                    'c' => [3, 3, 10],
                    'far' => [50, 50, 50],
                    'off' => [60, 60, 60],
                ],
            ],
        ]);
        $groups = ['home' => 'Hill', 'a' => 'Hill', 'b' => 'Hill', 'c' => 'Hill', 'far' => 'Plain', 'off' => 'Plain'];
        $data = new DataInMemory(
            array_values($made->measures()),
            array_map(
                static fn(Entity $e): Entity => new Entity($e->key, $e->name, $groups[$e->key], $e->home),
                array_values($made->entities()),
            ),
            ['flow' => $made->table('flow')],
        );
        $study = Make::study($data, StopCatalogue::make('against', ['as' => 'difference']))->withPart(
            PeersPart::from(['group' => 'Hill']),
        );
        // The median of a, b and c is 2.
        self::assertSame(7.0, Comparison::of($study, $data)->line('home')?->latest());
        $plain = $study->withRail(Make::study($data)->rail);
        $comparison = Comparison::of($plain, $data);
        self::assertSame('Home: 9.0 in 2022; the median of the 3 hill peers is 2.0', self::headline($comparison));
        $standing = PeerComparison::of($comparison)[0];
        self::assertSame([2, 4, 2.0], [$standing->now()->rank, $standing->now()->of, $standing->now()->median]);
        self::assertSame('2nd of 4', LiveNumber::filled('{place Home}', $comparison));
        // Home in another group is counted with those of the chosen one, wherever it is among them.
        foreach ([[0, 4, '4th of 4'], [2.5, 2, '2nd of 4'], [99, 1, '1st of 4']] as [$value, $rank, $words]) {
            $others = self::grouped(
                ['home' => [1, 1, $value], 'a' => [1, 1, 1], 'b' => [2, 2, 2], 'c' => [3, 3, 10]],
                ['home' => 'Plain'],
            );
            $beside = Comparison::of(Make::study($others)->withPart(PeersPart::from(['group' => 'Hill'])), $others);
            self::assertSame($rank, PeerComparison::of($beside)[0]->now()->rank);
            self::assertSame($words, LiveNumber::filled('{place Home}', $beside));
        }
        // Groups have their place among each other, and are none of the lines that an entity is counted with.
        $grouped = Comparison::of(
            $study->withRail($plain->rail)->withPart(LinesPart::from(['groups' => 'Hill,Plain'])),
            $data,
        );
        $lineup = Lineup::of($grouped);
        self::assertSame('lowest of 2', self::last($lineup, 'g:Hill'));
        self::assertSame('2nd highest of 4 in Hill', self::last($lineup, 'home'));
    }

    public function testALineThatEndedIsInNoPlaceNoCountAndNoSentenceOfToday(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2010',
                [
                    'home' => [1, 2, 3, 4, 5, 6, 16],
                    'alpha' => [60, 70, 80, 90, 100, null, null],
                    'b' => [5, 5, 5, 5, 5, 5, 5],
                    'c' => [6, 6, 6, 6, 6, 6, 6],
                    'd' => [7, 7, 7, 7, 7, 7, 7],
                ],
            ],
        ]);
        $study = Make::study($data)->withState('alpha', LineState::Focus)->withSort(RosterSort::Highest);
        $comparison = Comparison::of($study, $data);
        self::assertSame('Home: 16 in 2016; the median of its 3 peers is 6', self::headline($comparison));
        self::assertStringNotContainsString('Alpha', implode(self::sentences($comparison)));
        self::assertSame(
            [1, null],
            [self::row($study, $comparison, 'home')->rank, self::row($study, $comparison, 'alpha')->rank],
        );
        $alpha = self::row($study, $comparison, 'alpha')->course;
        self::assertSame(['last in 2014', true], [$alpha->trend->verdict, is_nan($alpha->change)]);
        self::assertSame(
            ['home', 'd', 'c', 'b', 'alpha'],
            array_map(static fn(Line $l): string => $l->key, $comparison->sorted()),
        );
        self::assertSame('{value Alpha} in 2016', LiveNumber::filled('{value Alpha} in {period}', $comparison));
        self::assertStringContainsString(
            'Alpha has no value in 2016',
            implode(LiveNumber::faults('{value Alpha}', $comparison)),
        );
        // By itself it is told by its last value.
        self::assertSame(
            'Alpha: 100 in 2014, its last value',
            self::headline(Comparison::of($study->withState('home', LineState::Peer), $data)),
        );
    }

    public function testEveryViewHasTheSameLatestPlaceAndNumber(): void
    {
        mt_srand(2012);
        for ($round = 0; $round < 300; $round++) {
            $data = self::random();
            $study = self::anyOf($data);
            $comparison = Comparison::of($study, $data);
            $standings = [];
            foreach (PeerComparison::of($comparison) as $standing) {
                $standings[$standing->line->key] = $standing;
            }
            foreach ($comparison->present() as $line) {
                $then = $comparison->reference;
                $value = $line->values[$then] ?? NAN;
                self::assertSame(var_export($value, true), var_export($line->latest(), true));
                // Counted again: who has a value then, and who is better.
                $others = array_filter(
                    $comparison->present(),
                    static fn(Line $l): bool => !is_nan($l->values[$then]) && $l->key !== $line->key,
                );
                $better = count(array_filter($others, static fn(Line $l): bool => $l->values[$then] > $value));
                $alone = is_nan($value) || $others === [];
                $rank = self::row($study, $comparison, $line->key)->rank;
                self::assertSame($alone ? null : $better + 1, $rank);
                $place = LiveNumber::filled("{place {$line->name}}", $comparison);
                self::assertSame($alone, $place === "{place {$line->name}}");
                if ($alone) {
                    self::assertArrayNotHasKey($line->key, $standings);
                    continue;
                }
                self::assertStringContainsString(' of ' . (count($others) + 1), $place);
                if ($line->state === LineState::Focus) {
                    self::assertSame(
                        [$rank, count($others) + 1],
                        [$standings[$line->key]->now()->rank, $standings[$line->key]->now()->of],
                    );
                }
                self::assertMatchesRegularExpression(
                    '/ (of|as all) ' . (count($others) + 1) . '$/',
                    self::last(Lineup::of($comparison), $line->key, $then),
                );
            }
            foreach (self::sentences($comparison) as $sentence) {
                foreach ($comparison->present() as $line) {
                    self::assertFalse(
                        $line->current === null && preg_match("/\\b{$line->name}\\b/", $sentence) === 1,
                        $sentence,
                    );
                }
            }
        }
    }

    /** Months of up to eight lines that begin late, end early and have gaps. */
    private static function random(): DataInMemory
    {
        $series = [];
        $count = mt_rand(6, 40);
        for ($i = 0, $lines = mt_rand(2, 8); $i < $lines; $i++) {
            [$first, $last] = [mt_rand(0, 5), $count - (mt_rand(0, 2) === 0 ? mt_rand(1, $count - 6 + 1) : 0)];
            $values = [];
            for ($at = 0; $at < $count; $at++) {
                $values[] = $at < $first || $at >= $last || mt_rand(0, 20) === 0 ? null : mt_rand(1, 12);
            }
            $series[$i === 0 ? 'home' : "x{$i}"] = $values;
        }

        return self::flow('2021-' . sprintf('%02d', mt_rand(1, 12)), $series);
    }

    private static function anyOf(DataInMemory $data): Study
    {
        $stops = [];
        if (mt_rand(0, 1) === 1) {
            $stops[] = StopCatalogue::make('period', ['to' => mt_rand(0, 1) === 1 ? 'quarter' : 'year']);
        }
        $study = Make::study($data, ...$stops);
        foreach (array_keys($data->entities()) as $key) {
            $study =
                $key !== 'home' && mt_rand(0, 3) === 0 && count($study->focus) < 6
                    ? $study->withState((string) $key, mt_rand(0, 1) === 1 ? LineState::Focus : LineState::Off)
                    : $study;
        }

        return $study;
    }

    /**
     * @param array<string, list<int|float>> $series
     * @param array<string, string> $groups of those that are not in Hill
     */
    private static function grouped(array $series, array $groups): DataInMemory
    {
        $made = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2020', $series]]);

        return new DataInMemory(
            array_values($made->measures()),
            array_map(
                static fn(Entity $e): Entity => new Entity($e->key, $e->name, $groups[$e->key] ?? 'Hill', $e->home),
                array_values($made->entities()),
            ),
            ['flow' => $made->table('flow')],
        );
    }

    /** @param array<string, list<int|float|null>> $series */
    private static function flow(string $first, array $series): DataInMemory
    {
        return Make::data(['flow' => ['Ml', MeasureKind::Flow, $first, $series]]);
    }

    private static function headline(Comparison $comparison): string
    {
        return Make::wording($comparison, '')->headline;
    }

    /** @return list<string> */
    private static function sentences(Comparison $comparison): array
    {
        return array_map(
            static fn(Claim $c): string => LiveNumber::filled($c->sentence, $comparison),
            Sentences::of($comparison),
        );
    }

    private static function row(Study $study, Comparison $comparison, string $key): SparkRow
    {
        foreach (array_merge(...array_values(SparkTable::of($study, $comparison)->groups)) as $row) {
            if ($row->line->key === $key) {
                return $row;
            }
        }
        self::fail("There is no row of {$key}.");
    }

    /** What is said of a point besides its value and its change. */
    private static function last(Lineup $lineup, string $key, ?int $at = null): string
    {
        $line = $lineup->line($key) ?? self::fail("There is no line of {$key}.");
        $said = explode(' · ', Readout::along($lineup, $line)['points'][$at ?? $lineup->to][2]);

        return end($said);
    }
}
