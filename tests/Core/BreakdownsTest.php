<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\Breakdown;
use DuskRail\Data\Cell;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Study;
use DuskRail\Document\StudyDocument;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\Facet;
use DuskRail\Outcome\Facets;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\Stacked;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Working;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Time\Frequency;
use DuskRail\Words\PeersInWords;
use PHPUnit\Framework\TestCase;

/** Figures that are split by sex and age: one category, all added up, as the lines, as the panels. */
final class BreakdownsTest extends TestCase
{
    public function testTheTotalIsSeenAtFirstAndAnyOtherCategoryIsOneChangeAway(): void
    {
        $data = self::data();
        $study = Study::first('Cases', 'cases', $data);
        self::assertSame(['home' => [30.0, 33.0], 'b' => [12.0, 15.0]], self::lines($study, $data));
        $women = self::changed($study, 'sex', 'one:f', $data);
        self::assertSame(['home' => [10.0, 11.0], 'b' => [4.0, 5.0]], self::lines($women, $data));
        $wording = Make::wording(Comparison::of($women, $data), '');
        self::assertStringStartsWith('Women, 0-14 – Home: 11', $wording->headline);
        self::assertStringContainsString('Cases, Sex: Women', $wording->subtitle);
        // Where there is no total the first stands for all, and it is said.
        self::assertStringContainsString('Age: 0-14', Make::wording(Comparison::of($study, $data), '')->subtitle);
        // The document keeps it.
        self::assertEquals($women, StudyDocument::read(StudyDocument::write($women)));
    }

    public function testADenominatorGoesWithItsOwnCategoryAndOneThatIsNotSplitIsSeenWhole(): void
    {
        $data = self::data();
        $women = self::changed(Study::first('Cases', 'cases', $data), 'sex', 'one:f', $data);
        $per = static fn(string $measure): Study => $women->withRail(
            Rail::of()->with(StopCatalogue::make('per-denominator', ['measure' => $measure])),
        );
        // 10 women of 100, 11 of 100; and of ten beds, whoever is in them.
        self::assertSame([0.1, 0.11], self::lines($per('people'), $data)['home']);
        self::assertSame([1.0, 1.1], self::lines($per('beds'), $data)['home']);
    }

    public function testCategoriesAddUpWhereTheMeasureDoesAndAreRefusedInWordsWhereItDoesNot(): void
    {
        $data = self::data();
        $all = self::changed(Study::first('Cases', 'cases', $data), 'age', 'sum', $data);
        self::assertSame(['home' => [60.0, 66.0], 'b' => [24.0, 30.0]], self::lines($all, $data));
        // A sum without one of its parts would be too small; what is not split is no sum.
        self::assertNan(self::lines($all, self::data(false))['b'][1]);
        self::assertSame([10.0, 10.0], self::lines($all->withMeasure('beds'), $data)['home']);
        self::assertStringContainsString('Age added up', Make::wording(Comparison::of($all, $data), '')->subtitle);
        $this->expectException(InvalidStudy::class);
        $this->expectExceptionMessage('Choose one category of Age');
        self::changed(Study::first('Rate', 'rate', $data), 'age', 'sum', $data);
    }

    /** A rate that says what it is per is, over all categories, what one gets by dividing the two sums. */
    public function testARateOverItsCategoriesIsTheRatioOfTheSums(): void
    {
        mt_srand(58);
        $breakdown = new Breakdown('kind', 'Kind', ['civil' => 'Civil', 'family' => 'Family', 'petty' => 'Petty']);
        $rate = Measure::of('days', 'Duration', 'days', MeasureKind::Rate, Frequency::Year)->withPer('closed');
        $closed = Measure::of('closed', 'Closed', 'cases', MeasureKind::Flow, Frequency::Year);
        $staff = Measure::of('staff', 'Staff', 'people', MeasureKind::Stock, Frequency::Year);
        $blank = 0;
        for ($round = 0; $round < 40; $round++) {
            $tables = $days = $cases = [];
            foreach (array_keys($breakdown->categories) as $kind) {
                foreach (['a', 'b'] as $key) {
                    $gone = mt_rand(0, 9);
                    $some = static fn(): int => mt_rand(0, 4) === 0 ? 0 : mt_rand(1, 90);
                    $cases[$kind][$key] = array_map($some, range(0, 3));
                    $days[$kind][$key] = array_map(
                        static fn(int $n, int $i): ?float => $n === 0 || $i === $gone ? null : mt_rand(10, 900) / 10.0,
                        $cases[$kind][$key],
                        range(0, 3),
                    );
                }
                $cell = Cell::of(['kind' => $kind]);
                $tables["days/{$cell}"] = Make::table($rate, '2020', $days[$kind]);
                $tables["closed/{$cell}"] = Make::table($closed, '2020', $cases[$kind]);
            }
            $tables['staff'] = Make::table($staff, '2020', ['a' => [5, 5, 5, 5], 'b' => [5, 5, 5, 5]]);
            $made = static fn(Measure $rate): DataInMemory => new DataInMemory(
                [$rate, $closed, $staff],
                [new Entity('a', 'A'), new Entity('b', 'B')],
                $tables,
                breakdowns: ['kind' => $breakdown],
            );
            $data = $made($rate);
            $study = self::changed(Study::first('Duration', 'days', $data), 'kind', 'sum', $data);
            foreach (self::lines($study, $data) as $key => $values) {
                foreach ($values as $i => $value) {
                    $above = $below = 0.0;
                    foreach (array_keys($breakdown->categories) as $kind) {
                        $n = $cases[$kind][$key][$i];
                        $above += $n === 0 ? 0.0 : $n * ($days[$kind][$key][$i] ?? NAN);
                        $below += $n;
                    }
                    if (is_nan($above) || $below === 0.0) {
                        self::assertNan($value);
                        $blank++;
                    } else {
                        self::assertEqualsWithDelta($above / $below, $value, 1e-9);
                    }
                }
            }
            $comparison = Comparison::of($study, $data);
            self::assertStringContainsString('Kind: all, weighted', Make::wording($comparison, '')->subtitle);
            // What is weighed by something that is not split has no such whole.
            $other = $made($rate->withPer('staff'));
            try {
                self::changed(Study::first('Duration', 'days', $other), 'kind', 'sum', $other);
                self::fail('A mean weighed by nothing was taken.');
            } catch (InvalidStudy $problem) {
                self::assertStringContainsString('Staff, which is not split by Kind', $problem->getMessage());
            }
            $closedStudy = self::changed(Study::first('Closed', 'closed', $other), 'kind', 'sum', $other);
            try {
                Edit::of(Changes::read('measure', ['measure' => 'days']), $closedStudy, $other);
                self::fail('Rates were added up.');
            } catch (InvalidStudy $problem) {
                self::assertStringContainsString('has no value over all categories', $problem->getMessage());
            }
        }
        self::assertGreaterThan(5, $blank);
    }

    /** Every category the one way, the whole the other: said where it is so, by quotients made here, and never else. */
    public function testAWholeThatMovesAgainstAllItsPartsIsSaid(): void
    {
        mt_srand(1951);
        $kinds = ['civil' => 'Civil', 'family' => 'Family'];
        $rate = Measure::of('days', 'Duration', 'days', MeasureKind::Rate, Frequency::Year)->withPer('closed');
        $closed = Measure::of('closed', 'Closed', 'cases', MeasureKind::Flow, Frequency::Year);
        $told = ['kind' => 0, 'group' => 0, 'none' => 0];
        for ($round = 0; $round < 1800; $round++) {
            $tables = $days = $cases = [];
            foreach (array_keys($kinds) as $kind) {
                foreach (['a', 'b'] as $key) {
                    $cases[$kind][$key] = [mt_rand(1, 90), mt_rand(1, 90)];
                    $then = mt_rand(10, 90);
                    $days[$kind][$key] = [$then, mt_rand(0, 3) === 0 ? $then : mt_rand(10, 90)];
                }
                $cell = Cell::of(['kind' => $kind]);
                $tables["days/{$cell}"] = Make::table($rate, '2020', $days[$kind]);
                $tables["closed/{$cell}"] = Make::table($closed, '2020', $cases[$kind]);
            }
            $breakdown = new Breakdown('kind', 'Kind', $kinds);
            $entities = [new Entity('a', 'A', 'North'), new Entity('b', 'B', 'North')];
            $data = new DataInMemory([$rate, $closed], $entities, $tables, breakdowns: ['kind' => $breakdown]);
            $study = self::changed(Study::first('Duration', 'days', $data), 'kind', 'sum', $data);
            $group = $study->withPart(LinesPart::from(['groups' => ['North']]))->withFocus(['g:North' => 1]);
            $above = static fn(string $key, int $i): int => $cases['civil'][$key][$i] * $days['civil'][$key][$i] +
                $cases['family'][$key][$i] * $days['family'][$key][$i];
            $below = static fn(string $key, int $i): int => $cases['civil'][$key][$i] + $cases['family'][$key][$i];
            $of = static fn(string $key, int $i): float => $above($key, $i) / $below($key, $i);
            $all = static fn(int $i): float => array_sum([$above('a', $i), $above('b', $i)]) /
                array_sum([$below('a', $i), $below('b', $i)]);
            $way = static fn(float $then, float $now): int => $now <=> $then;
            $isAgainst = static fn(int $whole, int ...$parts): bool => $whole !== 0 &&
                array_filter($parts, static fn(int $part): bool => $part !== -$whole) === [];
            foreach (
                [
                    'kind' => [
                        $study,
                        $isAgainst(
                            $way($of('a', 0), $of('a', 1)),
                            $way(...$days['civil']['a']),
                            $way(...$days['family']['a']),
                        ),
                        'A has ' . ($of('a', 1) > $of('a', 0) ? 'risen' : 'fallen') . ' over the time shown, though ' .
                            'each of its 2 categories of Kind has ',
                    ],
                    'group' => [
                        $group,
                        $isAgainst(
                            $way($all(0), $all(1)),
                            $way($of('a', 0), $of('a', 1)),
                            $way($of('b', 0), $of('b', 1)),
                        ),
                        'North has ' . ($all(1) > $all(0) ? 'risen' : 'fallen') . ' over the time shown, though each ' .
                            'of its 2 members has ',
                    ],
                ] as $what => [$shown, $isSo, $sentence]
            ) {
                $said = array_filter(
                    Signals::of(Comparison::of($shown, $data)),
                    static fn(Notice $n): bool => str_starts_with($n->id, 'against-all-'),
                );
                self::assertSame($isSo, $said !== [], $sentence);
                if ($isSo) {
                    self::assertStringStartsWith($sentence, array_values($said)[0]->sentence);
                    $told[$what]++;
                } else {
                    $told['none']++;
                }
            }
        }
        self::assertGreaterThan(5, min($told));
    }

    public function testCategoriesAreTheLinesOfOneEntityAndStackWithoutTheirTotal(): void
    {
        $data = self::data();
        $study = self::changed(Study::first('Cases', 'cases', $data), 'sex', 'lines', $data);
        $comparison = Comparison::of($study, $data);
        self::assertSame(
            ['c:f' => [10.0, 11.0], 'c:m' => [20.0, 22.0], 'c:t' => [30.0, 33.0]],
            self::lines($study, $data),
        );
        self::assertSame(
            ['Women', 'Men', 'All'],
            array_map(static fn(Line $l): string => $l->name, $comparison->lines),
        );
        self::assertStringContainsString('Cases, Home, by Sex', Make::wording($comparison, '')->subtitle);
        // The total is in focus, and compared with nobody: the median is of its two parts.
        self::assertSame(['c:t' => 1], $study->focus);
        self::assertSame([15.0, 16.5], $comparison->peerLine);
        $layers = Stacked::of(Lineup::of($comparison))->layers;
        self::assertSame(['Men', 'Women'], array_map(static fn($layer): string => $layer->line->name, $layers));
        // Another entity, and back to one category: whoever was looked at is in focus again.
        $of = Edit::of(Changes::read('set', ['part' => 'lines', 'settings' => ['of' => 'b']]), $study, $data)->study;
        self::assertSame([4.0, 5.0], self::lines($of, $data)['c:f']);
        $back = self::changed($of, 'sex', 'one:m', $data);
        self::assertSame([['b' => 1], [8.0, 10.0]], [$back->focus, self::lines($back, $data)['b']]);
    }

    public function testCategoriesAreThePanels(): void
    {
        $data = self::data();
        $study = self::changed(Study::first('Cases', 'cases', $data), 'sex', 'panels', $data);
        $comparison = Comparison::of($study, $data);
        self::assertSame(
            ['Home, Women' => 'Women', 'Home, Men' => 'Men', 'B, Women' => 'Women', 'B, Men' => 'Men'],
            array_column(array_map(static fn(Line $l): array => [$l->name, $l->group], $comparison->lines), 1, 0),
        );
        self::assertSame(['home:f' => 1, 'home:m' => 1], $study->focus);
        self::assertSame(['home' => 1], self::changed($study, 'sex', 'one:t', $data)->focus);
    }

    public function testTheFirstStudyLeavesTotalsOutAndNobodyIsComparedWithThem(): void
    {
        $measure = Measure::of('m', 'M', 't', MeasureKind::Flow, Frequency::Year);
        $data = new DataInMemory(
            [$measure],
            [
                new Entity('total', 'Total', attributes: ['summary' => 'total']),
                new Entity('a', 'A'),
                new Entity('b', 'B'),
                new Entity('c', 'C'),
            ],
            ['m' => Make::table($measure, '2023', ['total' => [6, 9], 'a' => [1, 2], 'b' => [2, 3], 'c' => [3, 4]])],
        );
        $study = Study::first('M', 'm', $data);
        self::assertSame([['a' => 1], ['total']], [$study->focus, $study->off]);
        $shown = Comparison::of($study->withOff([]), $data);
        self::assertSame([2.0, 3.0], $shown->peerLine);
        $c = $shown->lines[3];
        self::assertSame([1, 3], [$shown->peers->rankOf($c, 1)?->rank, $shown->peers->rankOf($c, 1)?->of]);
        $said = static fn(DataInMemory $of): array => array_map(
            static fn(Notice $n): string => $n->sentence,
            array_filter(
                Signals::of(Comparison::of($study, $of)),
                static fn(Notice $n): bool => $n->id === 'parts-total',
            ),
        );
        self::assertSame([], $said($data));
        $less = new DataInMemory([$measure], array_values($data->entities()), [
            'm' => Make::table($measure, '2023', ['total' => [6, 10], 'a' => [1, 2], 'b' => [2, 3], 'c' => [3, 4]]),
        ]);
        self::assertSame(['The others add up to 90 % of “Total” in 2024.'], array_values($said($less)));
        // Rates are no parts of a total, and of two totals neither is that of all.
        $rate = Measure::of('m', 'M', '%', MeasureKind::Rate, Frequency::Year);
        $table = ['total' => [6, 10], 'a' => [1, 2], 'b' => [2, 3], 'c' => [3, 4]];
        $entities = array_values($data->entities());
        self::assertSame([], $said(new DataInMemory([$rate], $entities, ['m' => Make::table($rate, '2023', $table)])));
        $two = [new Entity('a', 'A', attributes: ['summary' => 'total']), $entities[0], $entities[2], $entities[3]];
        self::assertSame([], $said(new DataInMemory([$measure], $two, ['m' => $less->table('m')])));
        $rank = Make::run($data, 'rank', []);
        self::assertSame([1.0, 1.0], $rank->table()->series['c']->values);
    }

    /**
     * Women are compared with women. Home has 50 of women and 500 of men; the others have 10, 20, 60 of women and 100,
     * 700, 900 of men.
     */
    public function testCategoriesInPanelsAreComparedEachWithinItself(): void
    {
        $cases = Make::measure('cases', '', MeasureKind::Stock, '2024');
        $tables = [];
        foreach (['f' => [50, 10, 20, 60], 'm' => [500, 100, 700, 900]] as $sex => $values) {
            $tables['cases/' . Cell::of(['sex' => $sex])] = Make::table($cases, '2024', [
                'home' => [$values[0]],
                'a' => [$values[1]],
                'b' => [$values[2]],
                'c' => [$values[3]],
            ]);
        }
        $entities = array_map(static fn(string $k): Entity => new Entity($k, ucfirst($k), home: $k === 'home'), [
            'home',
            'a',
            'b',
            'c',
        ]);
        $breakdown = new Breakdown('sex', 'Sex', ['f' => 'Women', 'm' => 'Men'], '');
        $data = new DataInMemory([$cases], $entities, $tables, breakdowns: ['sex' => $breakdown]);
        $study = self::changed(Study::first('Cases', 'cases', $data), 'sex', 'panels', $data);
        $focus = static fn(Study $of): Study => $of->withFocus(['home:f' => 1, 'home:m' => 2]);
        $comparison = Comparison::of($focus($study), $data);
        $places = [];
        foreach (PeerComparison::of($comparison) as $standing) {
            $places[$standing->line->key] = [$standing->now()->rank, $standing->now()->of, $standing->now()->median];
        }
        self::assertSame(['home:f' => [2, 4, 20.0], 'home:m' => [3, 4, 700.0]], $places);
        self::assertSame(
            [700.0, 20.0],
            array_map(static fn(Facet $f): float => $f->lineup->summary->line[0], Facets::of($comparison)),
        );
        self::assertSame('3 peers', PeersInWords::of($comparison));
        self::assertStringContainsString('median of its 3 peers is 20', Make::wording($comparison, '')->headline);
        // So are the stops that place lines among others, and their working.
        $gap = $focus($study->withRail(Rail::of()->with(StopCatalogue::make('against', ['as' => 'difference']))));
        $comparison = Comparison::of($gap, $data);
        self::assertSame(
            [30.0, -200.0],
            array_map(static fn(string $k): float => $comparison->line($k)->values[0] ?? NAN, ['home:f', 'home:m']),
        );
        $withGroup = Comparison::of($gap->withPart(new LinesPart(groups: ['Women'])), $data);
        self::assertSame(30.0, $withGroup->line('home:f')->values[0] ?? NAN);
        self::assertSame(-200.0, $withGroup->line('home:m')->values[0] ?? NAN);
        $working = Working::of($comparison->run, $comparison->data, 'cases', 'home:m', 0);
        self::assertStringContainsString('500 − 700 (peer median)', $working->text());
        $ranked = Comparison::of($focus($study->withRail(Rail::of()->with(StopCatalogue::make('rank', [])))), $data);
        self::assertSame([1.0, 1.0], [$ranked->line('c:f')->values[0] ?? 0.0, $ranked->line('c:m')->values[0] ?? 0.0]);
    }

    private static function changed(Study $study, string $breakdown, string $choice, DataInMemory $data): Study
    {
        return Edit::of(
            Changes::read('breakdown', ['breakdown' => $breakdown, 'choice' => $choice]),
            $study,
            $data,
        )->study;
    }

    /** @return array<string, list<float>> */
    private static function lines(Study $study, DataInMemory $data): array
    {
        $lines = [];
        foreach (Comparison::of($study, $data)->lines as $line) {
            $lines[$line->key] = array_map(static fn(float $v): float => round($v, 9), $line->values);
        }

        return $lines;
    }

    /**
     * Cases by sex and age, people by sex, beds and rates not split.
     *
     * @param bool $isWhole whether the old of B have come in for the latest year
     */
    private static function data(bool $isWhole = true): DataInMemory
    {
        $yearly = static fn(string $key, MeasureKind $kind): Measure => Measure::of(
            $key,
            ucfirst($key),
            '',
            $kind,
            Frequency::Year,
        );
        $cases = $yearly('cases', MeasureKind::Stock);
        $people = $yearly('people', MeasureKind::Stock);
        $beds = $yearly('beds', MeasureKind::Stock);
        $rate = $yearly('rate', MeasureKind::Rate);
        $tables = [
            'beds' => Make::table($beds, '2023', ['home' => [10, 10], 'b' => [10, 10]]),
            'rate' => Make::table($rate, '2023', ['home' => [1, 1], 'b' => [1, 1]]),
        ];
        foreach (['f' => 1, 'm' => 2, 't' => 3] as $sex => $times) {
            $tables['people/' . Cell::of(['sex' => $sex])] = Make::table($people, '2023', [
                'home' => [100 * $times, 100 * $times],
                'b' => [100 * $times, 100 * $times],
            ]);
            foreach (['young', 'old'] as $age) {
                $tables['cases/' . Cell::of(['age' => $age, 'sex' => $sex])] = Make::table($cases, '2023', [
                    'home' => [10 * $times, 11 * $times],
                    'b' => [4 * $times, $isWhole || $age === 'young' ? 5 * $times : null],
                ]);
            }
        }

        return new DataInMemory(
            [$cases, $people, $beds, $rate],
            [new Entity('home', 'Home', home: true), new Entity('b', 'B')],
            $tables,
            [],
            [
                'sex' => new Breakdown('sex', 'Sex', ['f' => 'Women', 'm' => 'Men', 't' => 'All'], 't'),
                'age' => new Breakdown('age', 'Age', ['young' => '0-14', 'old' => '15+']),
            ],
        );
    }
}
