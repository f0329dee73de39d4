<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\TrendSummary;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Statistics\Autocorrelation;
use DuskRail\Statistics\Ends;
use DuskRail\Statistics\MannKendall;
use DuskRail\Statistics\StraightLine;
use DuskRail\Statistics\Total;
use DuskRail\Statistics\Trend;
use DuskRail\Views\Views;
use DuskRail\Words\LiveNumber;
use DuskRail\Words\Readout;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Figures that are all alike, begin late, end early, or are hardly apart. */
final class EdgesTest extends TestCase
{
    public function testThroughPointsAtOnePlaceThereIsNoLine(): void
    {
        mt_srand(61);
        for ($round = 0; $round < 2000; $round++) {
            $count = mt_rand(2, 30);
            $x = array_fill(0, $count, mt_rand(1, 10_000) / 10 ** mt_rand(0, 6));
            $y = array_map(static fn(): float => mt_rand(0, 9999) / 10, $x);
            self::assertNull(StraightLine::through($x, $y), "{$x[0]}, {$count} times");
        }
        // Places that are a billionth apart are different ones.
        self::assertEqualsWithDelta(
            1e9,
            StraightLine::through([1.0, 1.0 + 1e-9, 1.0 + 2e-9], [0.0, 1.0, 2.0])->slope ?? NAN,
            1e3,
        );
    }

    public function testValuesThatDifferByRoundingAloneHaveNoDistanceFromEachOther(): void
    {
        foreach ([[0.1, 0.1, 0.1], array_fill(0, 6, 1.1), [0.1 + 0.2, 0.3, 0.3, 0.3]] as $values) {
            $series = [];
            foreach ($values as $i => $value) {
                $series["e{$i}"] = [$value];
            }
            $data = Make::data(['x' => ['h', MeasureKind::Stock, '2024', $series]]);
            foreach (['deviations', 'quartiles'] as $by) {
                self::assertSame([null], Make::values(Make::run($data, 'standardise', ['by' => $by]), 'e0'));
            }
        }
        $data = Make::data(['x' => ['h', MeasureKind::Stock, '2024', ['a' => [1.0], 'b' => [1.0 + 2e-9]]]]);
        self::assertSame([-0.707107], Make::values(Make::run($data, 'standardise', []), 'a'));
    }

    public function testALineThatBeginsLaterHasItsTotalAndItsStraightLinesFromThereOn(): void
    {
        $late = Make::data([
            'flow' => ['Ml', MeasureKind::Flow, '2020', ['a' => [1, 2, 3, 4], 'b' => [null, 2, null, 4]]],
        ]);
        $total = Make::run($late, 'running-total', ['from' => 'start']);
        self::assertSame([1.0, 3.0, 6.0, 10.0], Make::values($total, 'a'));
        // It has not begun in 2020; in 2022 it has a gap.
        self::assertSame([null, 2.0, null, null], Make::values($total, 'b'));
        $flow = array_fill(0, 24, 10);
        $data = Make::data([
            'flow' => ['Ml', MeasureKind::Flow, '2020-01', ['home' => $flow, 'b' => $flow]],
            'people' => ['people', MeasureKind::Stock, '2020', ['home' => [100, 200], 'b' => [null, 200]]],
        ]);
        $per = Make::run($data, 'per-denominator', ['measure' => 'people', 'times' => '1', 'between' => 'straight']);
        // Before the middle of the first year that there is, its value holds; before that year there is none.
        self::assertSame([...array_fill(0, 12, null), ...array_fill(0, 12, 0.05)], Make::values($per, 'b'));
    }

    /** @param list<float|null> $expected */
    #[TestWith(['trailing', [null, null, null, null, 3.0, 4.0, 5.0]])]
    #[TestWith(['centred', [null, null, 3.0, 4.0, 5.0, null, null]])]
    public function testAWindowThatNeedsAllItsValuesHasThem(string $placed, array $expected): void
    {
        $data = Make::data(['x' => ['h', MeasureKind::Stock, '2020', ['home' => range(1, 7)]]]);
        $run = Make::run($data, 'rolling', ['window' => '5', 'placed' => $placed]);
        self::assertSame($expected, Make::values($run, 'home'));
    }

    /** As pandas: Series(range(1, 8)).rolling(5, center=True, min_periods=1).mean() (from memory). */
    public function testACentredWindowThatNeedsFewerReachesBothEnds(): void
    {
        $data = Make::data(['x' => ['h', MeasureKind::Stock, '2020', ['home' => range(1, 7)]]]);
        $run = Make::run($data, 'rolling', ['window' => '5', 'placed' => 'centred', 'needed' => '1']);
        self::assertSame([2.0, 2.5, 3.0, 4.0, 5.0, 5.5, 6.0], Make::values($run, 'home'));
        // Of an incomplete year the windows that hold it are incomplete, too.
        $months = Make::data(['x' => ['Ml', MeasureKind::Flow, '2015-01', ['home' => array_fill(0, 129, 1)]]]);
        // A window that is shorter than a year leaves the seasons in everywhere, so it says nothing of the ends.
        $few = Make::run($months, 'rolling', ['window' => '5', 'needed' => '1']);
        self::assertSame([], $few->steps[0]->outcome->remarks);
        $rail = Make::study($months, StopCatalogue::make('period', ['to' => 'year']))->rail->with(
            StopCatalogue::make('rolling', ['window' => '3', 'placed' => 'centred', 'needed' => '1']),
        );
        self::assertSame(9, $rail->run($months->table('x'), $months)->table()->open());
    }

    public function testBesideAYardstickBelowZeroThereIsNoPerCentAndNoRatio(): void
    {
        $data = Make::data(['x' => ['h', MeasureKind::Stock, '2024', ['home' => [-5], 'a' => [-10], 'b' => [-10]]]]);
        foreach (['percent', 'ratio'] as $as) {
            $run = Make::run($data, 'against', ['to' => 'median', 'as' => $as]);
            self::assertSame([null], Make::values($run, 'home'));
            self::assertStringContainsString('zero or below', $run->steps[0]->outcome->remarks[0]->sentence);
        }
        self::assertSame(
            [5.0],
            Make::values(Make::run($data, 'against', ['to' => 'median', 'as' => 'difference']), 'home'),
        );
    }

    public function testAShareOfTheGroupIsOfThatGroupAlsoWhereSomebodyHasNone(): void
    {
        $made = Make::data(['x' => ['h', MeasureKind::Stock, '2024', ['a' => [60], 'b' => [40], 'c' => [10]]]]);
        $groups = ['a' => 'North', 'b' => 'North', 'c' => ''];
        $data = new DataInMemory(
            array_values($made->measures()),
            array_map(
                static fn(Entity $e): Entity => new Entity($e->key, $e->name, $groups[$e->key]),
                array_values($made->entities()),
            ),
            ['x' => $made->table('x')],
        );
        $study = Make::study($data, StopCatalogue::make('share', ['of' => 'group']))->withPart(
            LinesPart::from(['groups' => 'North']),
        );
        $comparison = Comparison::of($study, $data);
        $share = static fn(string $key): ?float => array_map(
            static fn(float $v): ?float => is_nan($v) ? null : $v,
            $comparison->line($key)->values ?? [],
        )[0];
        self::assertSame([60.0, 40.0, null, 100.0], array_map($share, ['a', 'b', 'c', 'g:North']));
    }

    /** Mann (1945); the variance with ties as in Kendall (1975), calculated by hand. */
    public function testTiesAreValuesThatAreEqualAndNoOthers(): void
    {
        // Nought below zero is nought: one tie of two among five values.
        $plain = MannKendall::of([0.0, 0.0, 1.0, 2.0, 3.0]);
        self::assertSame($plain?->z, MannKendall::of([-0.0, 0.0, 1.0, 2.0, 3.0])?->z);
        // Strictly rising, however large: S = 45, variance 125, z = 44 / √125.
        $large = MannKendall::of(array_map(static fn(int $i): float => 1e15 + $i, range(0, 9)));
        self::assertEqualsWithDelta(44 / sqrt(125), $large->z ?? NAN, 1e-12);
    }

    /** bench/trends.php does the same at length; its table is in docs/methods.md. */
    #[TestWith([12, 0.0, false, 99])]
    #[TestWith([12, 0.8, false, 70])]
    #[TestWith([12, 0.0, true, 99])]
    #[TestWith([1, 0.0, false, 18])]
    #[TestWith([1, 0.8, false, 0])]
    #[Group('slow')]
    public function testNoiseIsSeldomCalledATrendAndATrendMostlyIs(
        int $season,
        float $likeness,
        bool $smoothed,
        int $found,
    ): void {
        mt_srand(1998);
        $normal = static fn(): float => sqrt(-2 * log((mt_rand() + 1) / (mt_getrandmax() + 2))) *
            cos((2 * M_PI * mt_rand()) / mt_getrandmax());
        $wrong = $right = 0;
        for ($round = 0; $round < 300; $round++) {
            $values = $rising = [];
            $value = $normal();
            for ($i = 0; $i < 10 * $season; $i++) {
                $values[] = $value + ($season > 1 ? sin((2 * M_PI * $i) / $season) : 0.0);
                $rising[] = $values[$i] + (0.5 * $i) / $season;
                $value = $likeness * $value + sqrt(1 - $likeness ** 2) * $normal();
            }
            $verdicts = [];
            foreach ([$values, $rising] as $line) {
                $data = Make::data([
                    'x' => ['h', MeasureKind::Stock, $season > 1 ? '2010-01' : '2010', ['home' => $line]],
                ]);
                $stops = $smoothed ? [StopCatalogue::make('rolling', ['window' => '12'])] : [];
                $comparison = Comparison::of(Make::study($data, ...$stops), $data);
                $verdicts[] = $comparison->courses->course($comparison->lines[0])->trend->verdict;
            }
            $wrong += in_array($verdicts[0], ['rising', 'falling'], true) ? 1 : 0;
            $right += $verdicts[1] === 'rising' ? 1 : 0;
        }
        // Seven in a hundred, and what chance adds to it in three hundred.
        self::assertLessThan(300 * 0.07 + 9, $wrong);
        self::assertGreaterThan(3 * $found, $right);
    }

    /**
     * Hirsch and Slack (1984): seasons that are the same series have together the variance of one, times their number
     * squared; independent ones that of their sum. Of ten years it is
     * 10 · 9 · 25 ÷ 18 = 125.
     */
    public function testSeasonsThatShareTheirYearsAreOneSeries(): void
    {
        mt_srand(84);
        $years = array_map(static fn(int $i): float => mt_rand() / 1e6, range(1, 10));
        $same = [];
        foreach ($years as $year) {
            array_push($same, $year, $year + 1e5, $year - 1e5, $year);
        }
        // The slope that is taken out, and the years that it costs, are the only difference.
        $test = MannKendall::of($same, 4);
        self::assertEqualsWithDelta(4 * 125.0, $test->variance ?? NAN, 1e-9);
        self::assertEqualsWithDelta((12 * 125.0 * 10) / 8, $test->covariance ?? NAN, 0.15 * 1875);
        $sum = 0.0;
        for ($round = 0; $round < 200; $round++) {
            $apart = array_map(static fn(int $i): float => mt_rand() / 1e6, range(1, 40));
            $sum += MannKendall::of($apart, 4)->covariance ?? NAN;
        }
        self::assertEqualsWithDelta(0.0, $sum / 200, 60.0);
    }

    /** Where values are too few for a test, those that are missing are in no count. */
    public function testStepsAreCountedOfTheValuesThatAreThere(): void
    {
        // Every month is below the year before; two are missing, each once itself and once as the year before.
        $values = array_map(static fn(int $i): float => 100.0 - $i + 20 * sin((2 * M_PI * $i) / 12), range(0, 39));
        foreach ([15, 30] as $gone) {
            $values[$gone] = NAN;
        }
        $below = 0;
        for ($i = 12; $i < 40; $i++) {
            $below += $values[$i] < $values[$i - 12] ? 1 : 0;
        }
        $steps = new \ReflectionMethod(Trend::class, 'steps');
        self::assertSame(
            "below the year before in {$below} of {$below} values; 4 years are too few for a test",
            $steps->invoke(null, $values, 12),
        );
    }

    /** Months that share good and bad years and do not change are seldom called rising or falling. */
    #[TestWith([4])]
    #[TestWith([5])]
    #[TestWith([10])]
    #[Group('slow')]
    public function testGoodAndBadYearsAreSeldomATrend(int $years): void
    {
        mt_srand(1984);
        $normal = static fn(): float => sqrt(-2 * log((mt_rand() + 1) / (mt_getrandmax() + 2))) *
            cos((2 * M_PI * mt_rand()) / mt_getrandmax());
        $wrong = 0;
        for ($round = 0; $round < 300; $round++) {
            $values = [];
            for ($i = 0, $year = 0.0; $i < 12 * $years; $i++) {
                $year = $i % 12 === 0 ? $normal() : $year;
                $values[] = 3 * sin((2 * M_PI * $i) / 12) + $year + $normal();
            }
            $wrong += in_array(Trend::of($values, 12)->verdict, ['rising', 'falling'], true) ? 1 : 0;
        }
        // Seven in a hundred, and what chance adds to it in three hundred.
        self::assertLessThan(300 * 0.07 + 9, $wrong);
    }

    /** Hamed and Rao (1998), equations 9 and 10, with the autocorrelations of a first-order process. */
    public function testLikenessIsFoundWhereItIsAndWidensTheSpreadAsPublished(): void
    {
        mt_srand(1998);
        $clear = [0, 0];
        for ($round = 0; $round < 200; $round++) {
            foreach ([0.0, 0.7] as $which => $likeness) {
                $values = [($value = 0.0)];
                for ($i = 1; $i < 60; $i++) {
                    $values[] = $value = $likeness * $value + array_sum(array_map(mt_rand(...), [0, 0, 0], [9, 9, 9]));
                }
                $found = Autocorrelation::of($values, 1);
                $clear[$which] += $found->isClear() ? 1 : 0;
                $sum = 0.0;
                foreach ($found->correlation === 0.0 ? [] : range(1, 57) as $k) {
                    $ranks = (6 / M_PI) * asin($found->correlation ** $k / 2);
                    $sum += (60 - $k) * (59 - $k) * (58 - $k) * $ranks;
                }
                self::assertEqualsWithDelta(1 + (2 / (60 * 59 * 58)) * $sum, $found->inflation, 1e-6);
            }
        }
        self::assertLessThan(35, $clear[0]);
        self::assertGreaterThan(195, $clear[1]);
    }

    public function testUpForLongAndThenDownAgainIsNoTrendAndARunningTotalHasNoVerdict(): void
    {
        /** @param list<int> $values */
        $course = static function (array $values, string ...$stops): TrendSummary {
            /** @var list<int> $home */
            $home = $values;
            $data = Make::data(['x' => ['Ml', MeasureKind::Flow, '2000', ['home' => $home]]]);
            $placed = array_map(static fn(string $stop) => StopCatalogue::make($stop, []), $stops);
            $comparison = Comparison::of(Make::study($data, ...$placed), $data);

            return $comparison->courses->course($comparison->lines[0]);
        };
        $mountain = [...range(10, 40), 30, 20, 8];
        self::assertSame([' since 2030', -2.0], [$course($mountain)->trend->when, $course($mountain)->change]);
        self::assertStringContainsString('over the whole: no clear trend', $course($mountain)->trend->reason);
        self::assertSame('rising', $course(range(10, 40))->trend->verdict);
        self::assertSame('not tested', $course(range(10, 40), 'running-total')->trend->verdict);
        // What was averaged over windows is looked at itself.
        self::assertSame('rising', $course(range(10, 40), 'rolling')->trend->verdict);
    }

    public function testTheEndsAreComparedLikeWithLike(): void
    {
        // A season of ±50 about a level that falls by one a year: January with November would say anything.
        $values = array_map(
            static fn(int $i): float => 100 - intdiv($i, 12) + 50 * sin((2 * M_PI * $i) / 12),
            range(0, 70),
        );
        $ends = Ends::of($values, 12);
        self::assertEqualsWithDelta([-59 / 12, 59, 12], [$ends->change(), $ends->apart, $ends->each], 0.1);
        $two = Ends::of(array_slice($values, 0, 24), 12);
        self::assertEqualsWithDelta([-1.0, 12, 12], [$two->change(), $two->apart, $two->each], 1e-9);
        // Under two years, the last month with the same one a year before.
        $ends = Ends::of(array_slice($values, 0, 20), 12);
        self::assertEqualsWithDelta([-1.0, 12, 1], [$ends->change(), $ends->apart, $ends->each], 1e-9);
        self::assertSame(
            [3.0, 2.0],
            [Ends::of([NAN, 1.0, 2.0, 4.0, NAN], 1)->change(), Ends::of([NAN, 1.0, 2.0, 4.0, NAN], 1)->apart],
        );
        self::assertNan(Ends::of([NAN, 5.0], 1)->change());
        self::assertEqualsWithDelta(10.0, Ends::of([100.0, NAN, 121.0], 1)->growth(1.0), 1e-9);
        self::assertNan(Ends::of([0.0, 121.0], 1)->growth(1.0));
        // Doubling every year, half of the last year missing: the seasons that both ends have are their distance apart.
        $doubling = array_map(static fn(int $i): float => 2.0 ** ($i / 12), range(0, 53));
        $gone = array_replace($doubling, array_fill(42, 6, NAN));
        self::assertEqualsWithDelta(100.0, Ends::of(array_values($gone), 12)->growth(12.0), 1e-9);
        // Growth a year over eleven months is none, over twelve it is.
        self::assertNan(Ends::of(array_slice($doubling, 0, 12), 12)->growth(12.0));
        self::assertEqualsWithDelta(100.0, Ends::of(array_slice($doubling, 0, 13), 12)->growth(12.0), 1e-9);
    }

    public function testANumberBelowZeroBesideAnotherHasTheDigitsThatTheirDifferenceNeeds(): void
    {
        self::assertSame(
            ['−100.001234', '−100.00123'],
            [Explanation::number(-100.001234, -100.001), Explanation::number(-100.00123, -99.99)],
        );
        self::assertSame(['100', '−100'], [Explanation::number(100.0, -100.0), Explanation::number(-100.0, 100.0)]);
        self::assertSame('0.0000000123457', Explanation::number(1.23456789e-8));
    }

    public function testAStraightLineOfDenominatorsRunsFromTheFirstMiddleToTheLast(): void
    {
        $flow = array_fill(0, 48, 1200);
        $data = Make::data([
            'flow' => ['Ml', MeasureKind::Flow, '2020-01', ['home' => $flow, 'b' => $flow]],
            'people' => ['people', MeasureKind::Stock, '2020', ['home' => [1, 1, 1, 1], 'b' => [null, 100, 200, null]]],
        ]);
        $per = Make::run($data, 'per-denominator', [
            'measure' => 'people',
            'times' => '1',
            'between' => 'straight',
            'newest' => 'blank',
        ]);
        $values = Make::values($per, 'b', 1);
        // None in 2020; 100 until the middle of 2021; from there up to 200 in the middle of 2022; 200 to its end.
        self::assertSame([null, 12.0, 12.0], [$values[11], $values[12], $values[17]]);
        self::assertEqualsWithDelta(1200 / 150, $values[23] ?? 0.0, 0.5);
        self::assertSame([6.0, 6.0, null], [$values[30], $values[35], $values[36]]);
    }

    public function testSumsLoseNothingOfSmallValuesBesideLargeOnesOfEitherSign(): void
    {
        foreach ([[1.0, -1e16, 1e16], [1.0, 1e16, -1e16], [-1e16, 1.0, 1e16], [1e16, 1.0, -1e16]] as $values) {
            $total = new Total();
            array_map($total->add(...), $values);
            self::assertSame(1.0, $total->value());
        }
    }

    public function testAllThatIsLostIsAHundredPerCentAYearHoweverShortThePeriod(): void
    {
        $data = Make::data(['x' => ['Ml', MeasureKind::Stock, '2024-01', ['home' => [100, 0, 0, 50]]]]);
        $run = Make::run($data, 'change', ['on' => 'previous', 'as' => 'annualised']);
        self::assertSame([null, -100.0, null, null], Make::values($run, 'home'));
    }
    /** Neighbours are told apart in every list and label: with the decimals that their differences ask for. */
    public function testDecimalsTellNeighboursApart(): void
    {
        $of = static function (string $values): Comparison {
            $rows = [];
            foreach (explode(' ', $values) as $n => $value) {
                $rows[$n === 0 ? 'home' : "e{$n}"] = array_map(floatval(...), explode('/', $value));
            }
            $first = (string) (2025 - count(reset($rows) ?: []));
            $data = Make::data(['m' => ['%', MeasureKind::Rate, $first, $rows]]);

            return Comparison::of(Make::study($data), $data);
        };
        $rates = $of('99.91 99.94 99.95 99.96 99.97 99.97 99.98 99.98 99.99 99.99');
        $headline = 'Home: 99.91 in 2024; the median of its 9 peers is 99.97';
        self::assertSame($headline, Make::wording($rates, '')->headline);
        self::assertSame('100.0002', $of('100.0002 100.0004 100.0006 100.0008')->format(100.0002));
        // What the file does not have is not made up, and where values are far apart nothing is added.
        self::assertSame('99.9', $of('99.9 99.9 99.9 99.9')->format(99.9));
        self::assertSame('91', $of('91 50 12 70 33 250')->format(91.0));
        // One outlier does not take the digits away from all the others.
        self::assertSame('99.91', $of('99.91 99.94 99.95 99.96 99.97 99.97 99.98 12')->format(99.91));
        // A line alone is told apart from what it was.
        self::assertSame('99.97', $of('99.91/99.95/99.99/99.97')->format(99.97));
    }

    /** Eight digits and more are written in millions, in one scale, and never cut; files have them in full. */
    public function testLargeNumbersAreWrittenInMillions(): void
    {
        $study = static function (string $latest, string $unit, MeasureKind $kind = MeasureKind::Stock): Comparison {
            $rows = [];
            foreach (explode(' ', $latest) as $n => $value) {
                $rows[$n === 0 ? 'home' : "e{$n}"] = [0.5 * (float) $value, (float) $value];
            }
            $data = Make::data(['m' => [$unit, $kind, '2023', $rows]]);

            return Comparison::of(Make::study($data), $data);
        };
        $people = $study('24411191 1154638713 302000 4000', 'people');
        $lineup = Make::lineup($people);
        self::assertSame(
            ['24.4 million', '1,154.6 million', '0.3 million', '4,000'],
            array_map(static fn(Line $l): string => $lineup->format($l->latest()), $people->lines),
        );
        self::assertStringStartsWith('Home: 24.4 million in 2024;', Make::wording($people, '')->headline);
        $said = Readout::along($lineup, $lineup->lines[0])['points'][1][1] ?? '';
        self::assertSame('24,411,191 people', $said);
        self::assertSame('24.4 million', LiveNumber::filled('{value Home}', $study('24411191', 'people')));
        // One step below, what is in thousands already, and what is no amount are written out.
        self::assertSame('9,999,999', $study('9999999', 'people')->format(9_999_999.0));
        self::assertSame('10.0 million', $study('10000000', 'people')->format(10_000_000.0));
        self::assertSame('24,411,191', $study('24411191', 'thousand people')->format(24_411_191.0));
        self::assertSame('12.3 billion', $study('12300000000', '€', MeasureKind::Flow)->format(1.23e10));
        $values = Views::of($people->study)->values($people);
        self::assertContains(1_154_638_713.0, array_merge(...array_map(array_values(...), $values->rows)));
    }

}
