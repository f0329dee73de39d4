<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\Better;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\Changes\RemarksOn;
use DuskRail\Outcome\Edit;
use DuskRail\Rail\Pool;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Run;
use DuskRail\Rail\Scope;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Stops\Against;
use DuskRail\Rail\Working;
use DuskRail\Refusal;
use DuskRail\Time\Calendar;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/**
 * The calculations beyond the first three, against values calculated on paper and against what must hold for any table.
 */
final class MoreStopsTest extends TestCase
{
    public function testMonthsBecomeQuartersAndTheUnfinishedNewestIsLeftOutKeptOrScaled(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2024-01',
                ['home' => [1, 2, 3, 4, 5, 6, 7, 8], 'marl' => [1, null, 3, 4, 5, 6, 7, null]],
            ],
        ]);
        $left = Make::run($data, 'period', ['to' => 'quarter', 'unfinished' => 'out']);
        self::assertSame([6.0, 15.0, null], Make::values($left, 'home'));
        self::assertSame([null, 15.0, null], Make::values($left, 'marl'));
        self::assertSame('Ml per quarter', $left->table()->unit->text());
        self::assertSame(
            'Q3 2024 is incomplete (2 of 3 months) and excluded.',
            $left->steps[0]->outcome->remarks[0]->sentence,
        );
        $kept = Make::run($data, 'period', ['to' => 'quarter']);
        self::assertSame([6.0, 15.0, 15.0], Make::values($kept, 'home'));
        self::assertSame([null, 2], [$left->table()->open(), $kept->table()->open()]);
        // July and August are 62 of the quarter's 92 days.
        self::assertSame(
            round((15 * 92) / 62, 6),
            Make::values(Make::run($data, 'period', ['to' => 'quarter', 'unfinished' => 'scaled']), 'home')[2],
        );
    }

    #[TestWith(['last', 4.0])]
    #[TestWith(['first', 1.0])]
    #[TestWith(['mean', 2.5])]
    public function testOfAStockALevelIsTakenAndARateIsRefused(string $level, float $expected): void
    {
        $data = Make::data([
            'stock' => ['people', MeasureKind::Stock, '2024-Q1', ['home' => [1, 2, 3, 4]]],
            'rate' => ['%', MeasureKind::Rate, '2024-Q1', ['home' => [1, 2, 3, 4]]],
        ]);
        self::assertSame(
            [$expected],
            Make::values(Make::run($data, 'period', ['to' => 'year', 'level' => $level]), 'home'),
        );
        self::assertStringContainsString(
            'Move this stop before the division',
            (string) self::stops($data, 'rate', ['period', ['to' => 'year']])->refused()?->refusal,
        );
    }

    public function testAFlowIsDividedByItsDaysOrItsWorkingDays(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2024-02', ['home' => [58, 62]]]]);
        $run = Make::run($data, 'per-day', []);
        self::assertSame([2.0, 2.0], Make::values($run, 'home'));
        self::assertSame('Ml per day', $run->table()->unit->text());
        // February 2024 begins on a Thursday and has 21 days from Monday to Friday, as has March.
        self::assertSame(
            [round(58 / 21, 6), round(62 / 21, 6)],
            Make::values(Make::run($data, 'per-day', ['days' => 'working']), 'home'),
        );
    }

    public function testWorkingDaysAreCountedAsTheCalendarHasThem(): void
    {
        for ($first = -400; $first < 400; $first += 7) {
            $count = 0;
            for ($day = $first; $day < $first + 45; $day++) {
                // Day 0, 1 January 1970, was a Thursday (ISO weekday 4).
                $count += ((($day + 3) % 7) + 7) % 7 < 5 ? 1 : 0;
                self::assertSame($count, Calendar::workingDays($first, $day));
            }
        }
    }

    /**
     * @param list<float|null>|string $expected the values, or what the refusal says
     */
    #[TestWith(['here / Water supplied * 100', [10.0, 20.0, null], '%'])]
    #[TestWith(['LEAKAGE ÷ Connections × 1,000,000', [2000.0, 4000.0, 6000.0], 'l per connection per month'])]
    #[TestWith(['Leakage ÷ (Connections ÷ 1000)', [2.0, 4.0, 6.0], 'Ml per 1,000 connections per month'])]
    #[TestWith(['Water supplied - (Leakage - Water) - 2 * here', [71.0, 42.0, -87.0], 'Ml per month'])]
    #[TestWith(['(here + Water supplied) ÷ 2', [55.0, 60.0, 15.0], 'Ml per month'])]
    #[TestWith(['here × Price', [30.0, 60.0, 90.0], 'crowns per month'])]
    #[TestWith(['here + Connections', 'Values in Ml per month and values in connections cannot be added up', ''])]
    #[TestWith(['here × Water', 'one must be a ratio', ''])]
    #[TestWith(['here − 3', 'Values in Ml per month and a number cannot be subtracted', ''])]
    #[TestWith(['here ÷ Cost', 'Add “Aggregate” before this stop', ''])]
    #[TestWith(['here + Leakge', '“Leakge” (character 8) is neither a measure nor a number', ''])]
    #[TestWith(['(here', 'A closing parenthesis is missing', ''])]
    #[TestWith(['here here', '“here” (character 6) is not expected here', ''])]
    #[TestWith(['here ×', 'The formula is incomplete', ''])]
    #[TestWith(['here ÷ (3 − 3)', 'zero', ''])]
    public function testAFormulaWorksOutValuesAndUnitsOrSaysWhatIsWrong(
        string $text,
        array|string $expected,
        string $unit,
    ): void {
        $data = Make::data([
            'leakage' => ['Ml', MeasureKind::Flow, '2024-01', ['home' => [10, 20, 30]]],
            'water-supplied' => ['Ml', MeasureKind::Flow, '2024-01', ['home' => [100, 100, 0]]],
            'water' => ['Ml', MeasureKind::Flow, '2024-01', ['home' => [1, 2, 3]]],
            'connections' => ['connections', MeasureKind::Stock, '2024', ['home' => [5000]]],
            'price' => ['crowns/Ml', MeasureKind::Rate, '2024-01', ['home' => [3, 3, 3]]],
            'cost' => ['crowns', MeasureKind::Flow, '2024', ['home' => [3]]],
        ]);
        $run = Make::run($data, 'formula', ['text' => $text]);
        if (is_string($expected)) {
            self::assertStringContainsString($expected, (string) $run->refused()?->refusal);

            return;
        }
        self::assertSame([$expected, $unit], [Make::values($run, 'home'), $run->table()->unit->text()]);
    }

    public function testSeveralEntitiesAreCalculatedAsOneByARatioOfSums(): void
    {
        $data = Make::data([
            'leakage' => [
                'Ml',
                MeasureKind::Flow,
                '2024',
                ['home' => [9, 9, 9], 'a' => [10, 20, null], 'b' => [30, 40, 60]],
            ],
            'connections' => [
                'connections',
                MeasureKind::Stock,
                '2024',
                ['home' => [1, 1, 1], 'a' => [10, 10, 10], 'b' => [10, 30, 20]],
            ],
        ]);
        $scope = Scope::of($data, ['home'], [], Better::Lower, [Pool::sum('~', 'A and B', ['a', 'b'])]);
        $rail = Rail::of()->with(StopCatalogue::make('per-denominator', ['measure' => 'connections']));
        // The third year of A has not come in: there is no sum yet.
        self::assertSame([40.0, 60.0, null], Make::values(Rail::of()->run($scope->table('leakage'), $scope), '~'));
        self::assertSame([2.0, 1.5, null], Make::values($rail->run($scope->table('leakage'), $scope), '~'));
        // What goes by all entities does not count them twice.
        $ranks = $rail
            ->with(StopCatalogue::make('rank', ['first' => 'highest']))
            ->run($scope->table('leakage'), $scope);
        self::assertSame(
            [[1.0, 1.0, 1.0], [null, null, null]],
            [Make::values($ranks, 'home'), Make::values($ranks, '~')],
        );
    }

    public function testLinesAreLaidOverEachOtherByPeriodsSinceTheirOwnEvent(): void
    {
        $plain = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Stock,
                '2019',
                ['a' => [50, 100, 120, 130], 'b' => [10, 20, 40, 44], 'c' => [1, 1, 1, 1]],
            ],
        ]);
        $data = new DataInMemory(
            array_values($plain->measures()),
            [
                new Entity('a', 'A', '', false, ['Begun' => '2020']),
                new Entity('b', 'B', '', false, ['Begun' => '2021']),
                new Entity('c', 'C'),
            ],
            ['flow' => $plain->table('flow')],
        );
        $run = Make::run($data, 'index', ['at' => 'event', 'event' => 'Begun', 'along' => 'since', 'base' => '2019']);
        self::assertSame(['#-2', 5], [$run->table()->axis->period(0)->code(), $run->table()->axis->count]);
        self::assertSame([null, 50.0, 100.0, 120.0, 130.0], Make::values($run, 'a'));
        self::assertSame([25.0, 50.0, 100.0, 110.0, null], Make::values($run, 'b'));
        self::assertSame(array_fill(0, 5, null), Make::values($run, 'c'));
        $working = Working::of($run, Scope::all($data), 'flow', 'b', 3);
        self::assertSame(['44 ÷ 40 (2021) × 100', '110'], [$working->steps[1]->equation, $working->steps[1]->result]);
    }

    public function testPriceChangeIsTakenOut(): void
    {
        $data = Make::data([
            'cost' => ['crowns', MeasureKind::Flow, '2020', ['home' => [100, 110, 121]]],
            'price-index' => ['2020 = 100', MeasureKind::Rate, '2020', ['all' => [100, 110, 121]]],
        ]);
        $run = Make::run($data, 'real-terms', ['index' => 'price-index', 'prices' => '2021']);
        self::assertSame([110.0, 110.0, 110.0], Make::values($run, 'home'));
        self::assertSame('crowns, prices of 2021 per year', $run->table()->unit->text());
    }

    public function testARunningTotalStartsAnewEachYearAndStopsAtAGapUnlessToldToGoOn(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2023-11', ['home' => [1, 2, 3, 4, null, 6]]]]);
        $run = Make::run($data, 'running-total', []);
        // The data join 2023 in November, so 2023 has no total to date.
        self::assertSame([null, null, 3.0, 7.0, null, null], Make::values($run, 'home'));
        self::assertSame('Ml to date', $run->table()->unit->text());
        self::assertSame(
            [null, null, 3.0, 7.0, null, 13.0],
            Make::values(Make::run($data, 'running-total', ['gaps' => 'through']), 'home'),
        );
        self::assertSame(
            [1.0, 3.0, 6.0, 10.0, null, null],
            Make::values(Make::run($data, 'running-total', ['from' => 'start']), 'home'),
        );
        self::assertSame(
            [1.0, 3.0, 6.0, 10.0, null, null],
            Make::values(Make::run($data, 'running-total', ['month' => 11]), 'home'),
        );
    }

    public function testSharesAreOfAllOfFocusOrOfTheGroup(): void
    {
        $data = self::grouped();
        self::assertSame(
            [50.0, 30.0, 20.0],
            self::column(self::stops($data, 'flow', ['share', []], focus: ['a', 'b']), 0),
        );
        self::assertSame(
            [62.5, 37.5, null],
            self::column(self::stops($data, 'flow', ['share', ['of' => 'focus']], focus: ['a', 'b']), 0),
        );
        self::assertSame(
            [100.0, 60.0, 40.0],
            self::column(self::stops($data, 'flow', ['share', ['of' => 'group']]), 0),
        );
        // Who is off is in no whole; its own share is still what it would be of the others.
        self::assertSame(
            [null, 60.0, 40.0],
            array_replace(self::column(self::stops($data, 'flow', ['share', []], off: ['a']), 0), [0 => null]),
        );
    }

    public function testGapsToTheFocusToPeersToTheBestQuartileAndToATarget(): void
    {
        $data = Make::data([
            'rate' => [
                'h',
                MeasureKind::Stock,
                '2024',
                ['home' => [10], 'a' => [2], 'b' => [4], 'c' => [6], 'd' => [8]],
            ],
        ]);
        $gap = static fn(array $settings): ?float => self::column(
            self::stops($data, 'rate', ['against', $settings], focus: ['home'], better: Better::Lower),
            0,
        )[0];
        self::assertSame(5.0, $gap(['to' => 'median']));
        self::assertSame(100.0, $gap(['to' => 'median', 'as' => 'percent']));
        self::assertSame(2.0, $gap(['to' => 'mean', 'as' => 'ratio']));
        self::assertSame(6.5, $gap(['to' => 'quartile']));
        self::assertSame(-2.0, $gap(['to' => 'target', 'target' => '12']));
        // Older studies have a number; a target can be one's own, and another from a period on.
        self::assertSame(-2.0, $gap(['to' => 'target', 'target' => 12.0]));
        self::assertSame(-5.0, $gap(['to' => 'target', 'target' => '12; Home 15']));
        // A gap is to the target of then.
        $years = Make::data(['rate' => ['h', MeasureKind::Stock, '2020', ['home' => [20, 20, 20, 20]]]]);
        $then = self::stops($years, 'rate', ['against', ['to' => 'target', 'target' => '2020 18; 2022 12']]);
        self::assertSame([2.0, 2.0, 8.0, 8.0], Make::values($then, 'home'));
        $odd = self::stops($data, 'rate', ['against', ['to' => 'target', 'target' => 'Nobody 12']]);
        self::assertStringContainsString('No entity is called “Nobody”', (string) $odd->refused()?->refusal);
        self::assertSame(8.0, $gap(['to' => 'entity', 'entity' => 'a']));
        self::assertSame(0.0, $gap(['to' => 'focus']));
        // It begins with the per cent of amounts, and with the difference of what is no amount.
        $begins = static fn(string $unit, MeasureKind $kind): string => Against::default(
            Make::table(Make::measure('x', $unit, $kind, '2024'), '2024', ['home' => [1]]),
            Scope::all($data),
        )->as;
        self::assertSame(
            ['percent', 'difference', 'difference'],
            [
                $begins('Ml', MeasureKind::Flow),
                $begins('%', MeasureKind::Rate),
                Against::default(Make::run($data, 'index', ['base' => '2024'])->table(), Scope::all($data))->as,
            ],
        );
    }

    /** All the leakage over all the connections is not the mean of the utilities' leakage per connection. */
    public function testTheWeightedMeanIsARatioOfSums(): void
    {
        $data = Make::leakage();
        $per = ['per-denominator', ['measure' => 'connections', 'times' => 1.0]];
        $plain = Make::values(self::stops($data, 'leakage', $per), 'home', 12)[0];
        $together =
            ($plain ?? 0.0) -
            (float) Make::values(
                self::stops($data, 'leakage', $per, ['against', ['to' => 'weighted']], focus: ['home']),
                'home',
                12,
            )[0];
        $mean =
            ($plain ?? 0.0) -
            (float) Make::values(
                self::stops($data, 'leakage', $per, ['against', ['to' => 'mean']], focus: ['home']),
                'home',
                12,
            )[0];
        self::assertEqualsWithDelta((50 + 10) / (20_000 + 5_000), $together, 1e-9);
        self::assertEqualsWithDelta((50 / 20_000 + 10 / 5_000) / 2, $mean, 1e-9);
        self::assertStringContainsString(
            'Move this stop directly after “Divide by measure”',
            (string) self::stops(
                $data,
                'leakage',
                $per,
                ['rolling', ['window' => 2, 'statistic' => 'median']],
                ['against', ['to' => 'weighted']],
            )->refused()?->refusal,
        );
    }

    public function testTiesShareTheBetterPlaceAndTheDirectionComesFromBetter(): void
    {
        $data = Make::data([
            'flow' => [
                'Ml',
                MeasureKind::Flow,
                '2024',
                ['a' => [5], 'b' => [7], 'c' => [7], 'd' => [9], 'e' => [null]],
            ],
        ]);
        self::assertSame(
            [4.0, 2.0, 2.0, 1.0, null],
            self::column(self::stops($data, 'flow', ['rank', []], better: Better::Higher), 0),
        );
        self::assertSame(
            [1.0, 2.0, 2.0, 4.0, null],
            self::column(self::stops($data, 'flow', ['rank', []], better: Better::Lower), 0),
        );
        self::assertSame(
            [0.0, 50.0, 50.0, 100.0, null],
            self::column(self::stops($data, 'flow', ['rank', ['as' => 'percentile']], better: Better::Higher), 0),
        );
        self::assertSame(
            [1.0, 2.0, 2.0, null, null],
            array_replace(
                self::column(self::stops($data, 'flow', ['rank', []], off: ['d'], better: Better::Lower), 0),
                [3 => null],
            ),
        );
        self::assertSame(
            'Rank the lowest first',
            self::stops($data, 'flow', ['rank', []])->steps[0]->outcome->remarks[0]->remedy,
        );
    }

    public function testStandardScoresMeasureTheDistanceFromTheMiddle(): void
    {
        $data = Make::data([
            'flow' => ['Ml', MeasureKind::Flow, '2024', ['a' => [2], 'b' => [4], 'c' => [6], 'd' => [8]]],
        ]);
        // Mean 5, sample standard deviation √(20/3); median 5, quartiles 3.5 and 6.5.
        self::assertSame(
            array_map(static fn(int $v): float => round($v / sqrt(20 / 3), 6), [-3, -1, 1, 3]),
            self::column(self::stops($data, 'flow', ['standardise', []]), 0),
        );
        self::assertSame(
            [-1.0, round(-1 / 3, 6), round(1 / 3, 6), 1.0],
            self::column(self::stops($data, 'flow', ['standardise', ['by' => 'quartiles']]), 0),
        );
    }

    /**
     * @param array<string, string> $settings
     * @param list<float|null> $expected
     */
    #[TestWith([['on' => 'previous', 'as' => 'difference'], [null, 2.0, -1.0, -1.0, 5.0]])]
    #[TestWith([['on' => 'previous', 'as' => 'percent'], [null, 200.0, -33.333333, -50.0, 500.0]])]
    #[TestWith([['on' => 'previous', 'as' => 'annualised'], [null, 8000.0, -80.246914, -93.75, 129500.0]])]
    #[TestWith([['on' => 'year', 'as' => 'percent'], [null, null, null, null, 500.0]])]
    public function testChanges(array $settings, array $expected): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2023-Q1', ['home' => [1, 3, 2, 1, 6]]]]);
        self::assertSame($expected, Make::values(Make::run($data, 'change', $settings), 'home'));
    }

    public function testThereIsNoPerCentOfZeroOrLess(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2023', ['home' => [0, 3, -2, 4]]]]);
        $run = Make::run($data, 'change', ['on' => 'previous']);
        self::assertSame([null, null, round((-2 / 3 - 1) * 100, 6), null], Make::values($run, 'home'));
        self::assertSame(
            ['Home is zero or below somewhere; there is no per cent of that.', 'Use the difference'],
            [$run->steps[0]->outcome->remarks[0]->sentence, $run->steps[0]->outcome->remarks[0]->remedy],
        );
    }

    public function testAPartBelowZeroLeavesItsPeriodWithoutSharesForAll(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2022', ['a' => [10, -5, 10], 'b' => [30, 15, null]]]]);
        $run = Make::run($data, 'share', ['of' => 'all', 'incomplete' => 'there']);
        self::assertSame([25.0, null, 100.0], Make::values($run, 'a'));
        self::assertSame([75.0, null, null], Make::values($run, 'b'));
        self::assertStringContainsString('negative in some periods', $run->steps[0]->outcome->remarks[1]->sentence);
    }

    public function testACentredWindowOfAnEvenLengthHasOnePeriodMoreBeforeThanAfter(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2016', ['a' => [1, 2, 3, 4, 5, 6, 7, 80]]]]);
        $run = Make::run($data, 'rolling', ['window' => 4, 'placed' => 'centred', 'needed' => 'all']);
        // The first whole window is of 2016 to 2019: it is at 2018, with two years before it and one after.
        self::assertSame([null, null, 2.5, 3.5, 4.5, 5.5, 24.5, null], Make::values($run, 'a'));
    }

    public function testSeveralTakenAsOneHaveNoSumWhereOneOfThemHasAGap(): void
    {
        $measure = Make::measure('flow', 'Ml', MeasureKind::Flow, '2019');
        $table = Make::table($measure, '2019', ['a' => [1, 2, 3, 4, 5], 'b' => [null, 20, null, 40, null]]);
        $sum = Pool::sum('both', 'Both', ['a', 'b'])->addedTo($table)->series['both']->values;
        // Before b began a is alone; the year that is missing between has no sum, nor has the one that has not come in.
        self::assertSame(
            [1.0, 22.0, null, 44.0, null],
            array_map(static fn(float $v): ?float => is_nan($v) ? null : $v, $sum),
        );
    }

    public function testWeeksAndDaysFindTheSameOneAYearBefore(): void
    {
        $weeks = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2020-W01', ['home' => range(1, 110)]]]);
        $changes = Make::values(Make::run($weeks, 'change', ['on' => 'year', 'as' => 'difference']), 'home');
        // 2020 has 53 weeks, 2019 is not there: the first of 2021 is 53 later, and week 53 of 2020 has none a year on.
        self::assertSame([null, 53.0, 53.0, 52.0], [$changes[52], $changes[53], $changes[104], $changes[105] ?? 52.0]);
        $days = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2023-02-28', ['home' => range(1, 370)]]]);
        $changes = Make::values(Make::run($days, 'change', ['on' => 'year', 'as' => 'difference']), 'home');
        self::assertSame([365.0, null, 366.0], [$changes[365], $changes[366], $changes[367]]);
    }

    /**
     * @param array<string, string> $settings
     * @param list<float|null> $expected
     */
    #[TestWith([['at' => 'first'], [null, 100.0, 200.0, 150.0], 'first value = 100'])]
    #[TestWith([['at' => 'highest'], [null, 50.0, 100.0, 75.0], 'highest value = 100'])]
    #[TestWith([['at' => 'event', 'event' => 'Joined'], [null, 66.666667, 133.333333, 100.0], 'joined = 100'])]
    #[TestWith([['at' => 'first', 'as' => 'change'], [null, 0.0, 100.0, 50.0], 'change since first value'])]
    public function testAnIndexCanHaveABaseOfItsOwnForEach(array $settings, array $expected, string $label): void
    {
        $table = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2020', ['home' => [null, 2, 4, 3]]]]);
        $data = new DataInMemory(
            array_values($table->measures()),
            [new Entity('home', 'Home', attributes: ['Joined' => '2023'])],
            ['flow' => $table->table('flow')],
        );
        $run = Make::run($data, 'index', ['base' => '2020', ...$settings]);
        self::assertSame($expected, Make::values($run, 'home'));
        self::assertSame($label, $run->steps[0]->placed->stop->label($run->origin, Scope::all($data)));
    }

    /** @return iterable<string, array{string, list<array{string, array<string, mixed>}>, string}> */
    public static function nonsense(): iterable
    {
        yield 'sum of rates' => [
            'rate',
            [['rolling', ['statistic' => 'sum']]],
            'ratios (l per person), which cannot be summed',
        ];
        yield 'running total of a stock' => [
            'stock',
            [['running-total', []]],
            'Levels (stocks) cannot be summed over time',
        ];
        yield 'share of a rate' => ['rate', [['share', []]], 'which cannot be summed'];
        yield 'per day of a stock' => ['stock', [['per-day', []]], 'directly after the measure'];
        yield 'best quartile of nobody knows' => [
            'flow',
            [['against', ['to' => 'quartile']]],
            'whether higher or lower is better',
        ];
        yield 'focus of nobody' => ['flow', [['against', ['to' => 'focus']]], 'No line is in focus'];
        yield 'seasons of too little' => [
            'flow',
            [['seasonal', []]],
            'Seasonal adjustment needs at least two complete years',
        ];
        yield 'coarser than coarse' => [
            'flow',
            [['period', ['to' => 'week']]],
            'The values are monthly and cannot be split into weeks',
        ];
    }

    /** @param list<array{string, array<string, mixed>}> $stops */
    #[DataProvider('nonsense')]
    public function testWhatMakesNoSenseIsRefusedWithTheReason(string $measure, array $stops, string $reason): void
    {
        $values = ['home' => [1, 2, 1, 4]];
        $data = Make::data([
            'flow' => ['Ml', MeasureKind::Flow, '2024-01', $values],
            'stock' => ['people', MeasureKind::Stock, '2024-01', $values],
            'rate' => ['l per person', MeasureKind::Rate, '2024-01', $values],
        ]);
        self::assertStringContainsString(
            $reason,
            (string) self::stops($data, $measure, ...$stops)->refused()?->refusal,
        );
    }

    /** What must hold for any table, on random ones with gaps, zeros, short and long. */
    public function testPropertiesOfAnyTable(): void
    {
        mt_srand(19);
        for ($round = 0; $round < 40; $round++) {
            $length = mt_rand(1, 40);
            $series = [];
            for ($s = 0, $count = mt_rand(1, 9); $s < $count; $s++) {
                $series["s{$s}"] = array_map(
                    static fn(): ?float => mt_rand(0, 9) === 0 ? null : (float) mt_rand(0, 60),
                    range(1, $length),
                );
            }
            $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2021-01', $series]]);
            $shares = self::stops($data, 'flow', ['share', ['incomplete' => 'there']]);
            $ranks = self::stops($data, 'flow', ['rank', ['first' => 'highest']]);
            for ($i = 0; $i < $length; $i++) {
                $present = array_filter(
                    array_map(static fn(array $values): ?float => $values[$i], $series),
                    static fn(?float $v): bool => $v !== null,
                );
                $parts = array_filter(self::column($shares, $i), static fn(?float $v): bool => $v !== null);
                self::assertTrue(
                    array_sum($present) <= 0.0 || abs(array_sum($parts) - 100.0) < 1e-4,
                    'shares sum to 100',
                );
                $places = array_filter(self::column($ranks, $i), static fn(?float $v): bool => $v !== null);
                self::assertSame(count($present), count($places));
                foreach (array_keys($places) as $at) {
                    $value = array_values($series)[$at][$i];
                    self::assertSame(
                        1.0 + count(array_filter($present, static fn(?float $v): bool => $v > $value)),
                        $places[$at],
                        'a rank is one more than how many are better',
                    );
                }
            }
            // The year to date of December is the year's sum, where the year is whole.
            $toDate = self::stops($data, 'flow', ['running-total', []]);
            $yearly = self::stops($data, 'flow', ['period', ['to' => 'year', 'unfinished' => 'out']]);
            foreach (array_keys($series) as $key) {
                foreach (Make::values($yearly, $key) as $year => $sum) {
                    self::assertTrue($sum === null || $sum === Make::values($toDate, $key)[$year * 12 + 11]);
                }
            }
            // The order of the entities does not matter.
            $turned = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2021-01', array_reverse($series, true)]]);
            foreach ([['rank', []], ['share', []], ['standardise', []], ['against', ['to' => 'median']]] as $stop) {
                self::assertEquals(
                    Make::values(self::stops($data, 'flow', $stop), 's0'),
                    Make::values(self::stops($turned, 'flow', $stop), 's0'),
                );
            }
        }
    }

    /** Every stop after every other: it is put where it is possible, and the sentence says where and why. */
    public function testAStopThatCannotComeLastIsPutWhereItCan(): void
    {
        $data = Make::leakage();
        $placed = 0;
        foreach (array_keys(StopCatalogue::all()) as $first) {
            foreach (array_keys(StopCatalogue::all()) as $second) {
                try {
                    $one = Edit::of(Changes::read('add-stop', ['stop' => $first]), Make::study($data), $data)->document;
                    $add = Changes::read('add-stop', ['stop' => $second]);
                    $two = Edit::of($add, $one, $data)->document;
                } catch (Refusal) {
                    continue;
                }
                self::assertInstanceOf(RemarksOn::class, $add);
                $said = $add->remark($one, $two, $data);
                $run = $two->rail->run($data->table('leakage'), $two->scope($data));
                self::assertNull($run->refused());
                $isLast = $two->rail->stops[0]->id === 's1';
                self::assertSame($isLast, $said === '', "{$first} {$second}");
                if (!$isLast) {
                    $placed++;
                    // At the end it was not possible, and the sentence gives that reason.
                    $end = $one->rail->with($two->rail->stops[0]->stop);
                    $reason = $end->run($data->table('leakage'), $two->scope($data))->refused()?->refusal;
                    self::assertNotNull($reason);
                    $label = $run->steps[1]->placed->stop->label($run->steps[1]->arriving, $two->scope($data));
                    $title = StopCatalogue::named($second)::title();
                    self::assertSame(
                        "“{$title}” was placed before “{$label}”, since it cannot come last. {$reason}",
                        $said,
                    );
                }
            }
        }
        self::assertGreaterThan(25, $placed);
    }

    private static function grouped(): DataInMemory
    {
        $table = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2024', ['a' => [5], 'b' => [3], 'c' => [2]]]]);

        return new DataInMemory(
            array_values($table->measures()),
            [new Entity('a', 'A', 'Upland'), new Entity('b', 'B', 'Plain'), new Entity('c', 'C', 'Plain')],
            ['flow' => $table->table('flow')],
        );
    }

    /** @param mixed ...$stops pairs of type and settings; by name: focus, off and better */
    private static function stops(DataInMemory $data, string $measure, mixed ...$stops): Run
    {
        $rail = Rail::of();
        foreach ($stops as $name => $stop) {
            if (is_int($name) && is_array($stop)) {
                /** @var array{string, array<string, mixed>} $stop */
                $rail = $rail->with(StopCatalogue::make($stop[0], $stop[1]));
            }
        }
        /** @var list<string> $focus */
        $focus = $stops['focus'] ?? [];
        /** @var list<string> $off */
        $off = $stops['off'] ?? [];
        $better = $stops['better'] ?? Better::Neither;
        self::assertInstanceOf(Better::class, $better);

        return $rail->run($data->table($measure), Scope::of($data, $focus, $off, $better));
    }

    /** @return list<float|null> of each series the value at a position */
    private static function column(Run $run, int $position): array
    {
        return array_map(
            static fn(string $key): ?float => Make::values($run, $key)[$position],
            array_map(strval(...), array_keys($run->table()->series)),
        );
    }
}
