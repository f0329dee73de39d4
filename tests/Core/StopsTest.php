<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Unit;
use DuskRail\Outcome\Comparison;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\Rail;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Run;
use DuskRail\Rail\Scope;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Stops\Weights;
use DuskRail\Rail\Working;
use DuskRail\Settings\InvalidSetting;
use DuskRail\Statistics\RollingMean;
use DuskRail\Time\Frequency;
use DuskRail\Words\LiveNumber;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class StopsTest extends TestCase
{
    // Per denominator.

    public function testMonthlyFiguresAreDividedByTheirYearsDenominator(): void
    {
        $run = Make::run(Make::leakage(), 'per-denominator', ['measure' => 'connections', 'times' => 1_000_000]);
        $values = Make::values($run, 'home');
        // 100 Ml over 50,000 connections are 2,000 l each; from January 2020 on there are 52,000.
        self::assertSame([2000.0, 2020.0], array_slice($values, 0, 2));
        self::assertSame(round((112 / 52_000) * 1e6, 6), $values[12]);
        self::assertSame('l per connection per month', $run->table()->unit->text());
        self::assertSame('yearly values, constant', $run->steps[0]->outcome->note);
    }

    public function testADenominatorRunsOnAStraightLineBetweenMidYears(): void
    {
        $run = Make::run(Make::leakage(), 'per-denominator', ['measure' => 'connections', 'between' => 'straight']);
        $denominators = array_map(
            static fn(float $leak, ?float $quotient): float => $leak / (float) $quotient,
            range(100.0, 123.0),
            Make::values($run, 'home', 14),
        );
        // Mid-2019 is day 181.5 after new year; January's middle is before it, so the first value holds.
        self::assertEqualsWithDelta(50_000, $denominators[0], 1e-3);
        // 2019's middle is 2 July noon, 2020's 1 July noon (366 days on); December's middle is day 349.
        self::assertEqualsWithDelta(50_000 + (2_000 * (349 - 182)) / 365.5, $denominators[11], 1e-3);
        self::assertEqualsWithDelta(52_000, $denominators[23], 1e-3);
        self::assertSame('interpolated between mid-years', $run->steps[0]->outcome->note);
    }

    #[TestWith([
        'held',
        62 / 20_000,
        'Connections after 2019 is missing for 1 of 3; the last value is repeated.',
        'Leave empty',
    ])]
    #[TestWith(['blank', null, 'Connections after 2019 is missing for 1 of 3; left empty.', 'Repeat the last value'])]
    public function testTheNewestDenominatorIsHeldOrLeftBlankAndSaidEitherWay(
        string $newest,
        ?float $expected,
        string $sentence,
        string $remedy,
    ): void {
        $run = Make::run(Make::leakage(), 'per-denominator', ['measure' => 'connections', 'newest' => $newest]);
        self::assertSame($expected === null ? null : round($expected, 6), Make::values($run, 'marl')[12]);
        self::assertSame([$sentence, $remedy], [self::remarks($run)[0]->sentence, self::remarks($run)[0]->remedy]);
    }

    public function testAMissingYearOfTheDenominatorLeavesItsMonthsOpenAndTheYearsBesideItWhole(): void
    {
        $data = Make::data([
            'flow' => ['Ml', MeasureKind::Flow, '2019-01', ['home' => array_fill(0, 60, 12.0)]],
            'people' => ['people', MeasureKind::Stock, '2018', ['home' => [4, 4, 2, null, 6, 8]]],
        ]);
        $carried = Make::values(Make::run($data, 'per-denominator', ['measure' => 'people']), 'home');
        self::assertSame(
            [
                ...array_fill(0, 12, 3.0),
                ...array_fill(0, 12, 6.0),
                ...array_fill(0, 12, null),
                ...array_fill(0, 12, 2.0),
                ...array_fill(0, 12, 1.5),
            ],
            $carried,
        );
        $straight = Make::values(
            Make::run($data, 'per-denominator', ['measure' => 'people', 'between' => 'straight']),
            'home',
        );
        // From the middle of 2020, the last value before the gap, to the middle of 2022 there is no line to be on.
        self::assertSame(range(18, 41), array_keys(array_filter($straight, static fn(?float $v): bool => $v === null)));
        self::assertEqualsWithDelta(3.0, $straight[5], 0.01);
        self::assertGreaterThan($straight[47], $straight[42]);
    }

    public function testADenominatorThatStartsLaterLeavesTheTimeBeforeItOpen(): void
    {
        $data = Make::data([
            'flow' => ['Ml', MeasureKind::Flow, '2019-Q1', ['home' => array_fill(0, 12, 8.0)]],
            'people' => ['people', MeasureKind::Stock, '2020', ['home' => [4]]],
        ]);
        foreach (['carried', 'straight'] as $between) {
            $values = Make::values(
                Make::run($data, 'per-denominator', ['measure' => 'people', 'between' => $between]),
                'home',
            );
            self::assertSame([...array_fill(0, 4, null), ...array_fill(0, 8, 2.0)], $values);
            $blank = Make::values(
                Make::run($data, 'per-denominator', [
                    'measure' => 'people',
                    'between' => $between,
                    'newest' => 'blank',
                ]),
                'home',
            );
            self::assertSame([...array_fill(0, 4, null), ...array_fill(0, 4, 2.0), ...array_fill(0, 4, null)], $blank);
        }
    }

    public function testAZeroOrAbsentDenominatorLeavesABlankAndIsNamed(): void
    {
        $run = Make::run(
            Make::data([
                'bursts' => [
                    'bursts',
                    MeasureKind::Flow,
                    '2020',
                    ['home' => [4, 6], 'marl' => [1, 1], 'tarrow' => [2, 2]],
                ],
                'mains' => ['km', MeasureKind::Stock, '2020', ['home' => [0, 3], 'marl' => [2, 2]]],
            ]),
            'per-denominator',
            ['measure' => 'mains'],
        );
        self::assertSame([null, 2.0], Make::values($run, 'home'));
        self::assertSame([null, null], Make::values($run, 'tarrow'));
        self::assertSame(
            ['Tarrow: no Mains, so no value here.', 'Home: Mains is zero in some periods; no value there.'],
            array_map(static fn(Remark $r): string => $r->sentence, self::remarks($run)),
        );
    }

    public function testAFinerDenominatorIsAddedUpOrAveragedOverWholePeriods(): void
    {
        $data = Make::data([
            'cost' => ['crowns', MeasureKind::Flow, '2020', ['home' => [120, 240]]],
            'supplied' => ['Ml', MeasureKind::Flow, '2020-Q1', ['home' => [1, 2, 3, 4, 5, 5, 5]]],
            'staff' => ['staff', MeasureKind::Stock, '2020-Q1', ['home' => [1, 2, 3, 4, 5, 5, 5]]],
        ]);
        self::assertSame(
            [12.0, null],
            Make::values(Make::run($data, 'per-denominator', ['measure' => 'supplied']), 'home'),
        );
        self::assertSame(
            [48.0, null],
            Make::values(Make::run($data, 'per-denominator', ['measure' => 'staff']), 'home'),
        );
    }

    public function testWhatMakesNoSenseIsRefusedWithAWayOut(): void
    {
        $data = Make::data([
            'leakage' => ['Ml', MeasureKind::Flow, '2020-01', ['home' => [1, 2, 3]]],
            'cost' => ['crowns', MeasureKind::Flow, '2020', ['home' => [10]]],
            'price' => ['crowns per Ml', MeasureKind::Rate, '2020', ['home' => [10]]],
            'people' => ['people', MeasureKind::Stock, '2020', ['home' => [10]]],
        ]);
        $refusal = static fn(string ...$measures): string => (string) array_reduce(
            $measures,
            static fn(Rail $rail, string $measure): Rail => $rail->with(
                StopCatalogue::make($measure === '2020' ? 'index' : 'per-denominator', [
                    'measure' => $measure,
                    'base' => $measure,
                ]),
            ),
            Rail::of(),
        )
            ->run($data->table('leakage'), $data)
            ->refused()?->refusal;
        self::assertStringContainsString('Cost is a total per year and cannot divide monthly values', $refusal('cost'));
        self::assertStringContainsString('is a ratio and cannot be a denominator', $refusal('price'));
        self::assertStringContainsString('Move this stop directly after the measure', $refusal('people', 'people'));
        self::assertStringContainsString('Move this stop earlier', $refusal('2020', 'people'));
        self::assertStringContainsString('no measure “cats”', $refusal('cats'));
        self::assertSame('', $refusal('people'));
    }

    public function testTheUsualDenominatorIsALevelWithAReadableMultiplier(): void
    {
        $data = Make::leakage();
        $usual = StopCatalogue::all()['per-denominator']::default($data->table('leakage'), Scope::all($data));
        self::assertSame(
            ['measure' => 'connections', 'times' => 1e6, 'between' => 'carried', 'newest' => 'held'],
            $usual->settings(),
        );
        $bursts = Make::data([
            'bursts' => ['bursts', MeasureKind::Flow, '2020', ['home' => [4, 6]]],
            'mains' => ['km', MeasureKind::Stock, '2020', ['home' => [900, 900]]],
        ]);
        self::assertSame(
            1000.0,
            StopCatalogue::all()['per-denominator']::default($bursts->table('bursts'), Scope::all($bursts))->settings()[
                'times'
            ],
        );
    }

    // Rolling mean.

    public function testAWindowThatIsNotFullGivesNoValue(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2020-01', ['home' => [1, 2, 3, null, 5, 6, 7, 8]]]]);
        self::assertSame(
            [null, null, 2.0, null, null, null, 6.0, 7.0],
            Make::values(Make::run($data, 'rolling', ['window' => 3]), 'home'),
        );
        self::assertSame(
            [null, 1.5, 2.0, 2.5, 4.0, 5.5, 6.0, 7.0],
            Make::values(Make::run($data, 'rolling', ['window' => 3, 'needed' => 2]), 'home'),
        );
    }

    public function testAHugeValueLeavesNoTraceOnceItHasLeftTheWindow(): void
    {
        $values = [...array_fill(0, 9, 0.1), 1e16, ...array_fill(0, 20, 0.1)];
        self::assertSame(
            RollingMean::trailing(array_fill(0, 30, 0.1), 7, 7)[29],
            RollingMean::trailing($values, 7, 7)[29],
        );
    }

    public function testAPartOfTheYearIsAddedUpAndKeptByTheYearItBeginsIn(): void
    {
        // January 2020 is 1, February 2020 is 2 …, until February 2022.
        $data = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2020-01', ['home' => range(1, 26)]]]);
        $winter = Make::run($data, 'period', ['to' => 'year', 'season' => 'Dec–Feb']);
        self::assertSame('2019/20', $winter->table()->axis->period(0)->label());
        // The first winter lacks its December.
        self::assertEquals([null, 12 + 13 + 14, 24 + 25 + 26], Make::values($winter, 'home'));
        self::assertSame('Ml per season', $winter->table()->unit->text());
        $summer = Make::run($data, 'period', ['to' => 'year', 'season' => '6–8']);
        self::assertSame('2020', $summer->table()->axis->period(0)->label());
        self::assertEquals([6 + 7 + 8, 18 + 19 + 20], Make::values($summer, 'home'));
        // Weeks: 2020 has a 53rd, so this winter has fifteen.
        $weeks = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2020-W40', ['home' => array_fill(0, 80, 1)]]]);
        $winters = Make::run($weeks, 'period', ['to' => 'year', 'season' => 'W48..W09']);
        self::assertEquals([15, 14], Make::values($winters, 'home'));
        $step = $winters->steps[0];
        self::assertSame('W48–W09 by the year', $step->placed->stop->label($step->arriving, Scope::all($weeks)));
        // Whatever was written comes back; what is no part of the year is refused with what one is.
        $stop = StopCatalogue::make('period', ['season' => 'w48 to W9']);
        self::assertSame('W48..W09', $stop->settings()['season']);
        self::assertSame('Jun..Aug', StopCatalogue::make('period', ['season' => 'June – aug'])->settings()['season']);
        $whole = StopCatalogue::make('period', ['season' => 'October to December']);
        self::assertSame('Oct..Dec', $whole->settings()['season']);
        self::assertEquals([7, 19], Make::values(Make::run($data, 'period', ['season' => 'July']), 'home'));
        // A season that has begun is said to be left out; of quarters there is none.
        $begun = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2020-01', ['home' => range(1, 25)]]]);
        $left = Make::run($begun, 'period', ['season' => 'Dec–Feb'])->steps[0];
        self::assertSame('Dec–Feb of 2021/22 is incomplete and excluded.', $left->outcome->remarks[0]->sentence);
        self::assertSame(
            '',
            StopCatalogue::make('period', ['to' => 'quarter', 'season' => 'July'])->settings()['season'],
        );
        self::assertStringContainsString(
            'Enter months for monthly or daily values',
            (string) Make::run($data, 'period', ['season' => 'W48–W09'])->steps[0]->refusal,
        );
        $this->expectException(InvalidSetting::class);
        $this->expectExceptionMessage('“winter” is not a part of the year. Enter the first and the last month or week');
        StopCatalogue::make('period', ['season' => 'winter']);
    }

    public function testBothPartsOfARatioRolledInOneGoAreAsRolledOneByOne(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 60; $round++) {
            $count = mt_rand(1, 60);
            $quotients = array_map(static fn(): float => mt_rand(-500, 500) / 7, array_fill(0, $count, 0));
            $weights = array_map(static fn(): float => mt_rand(1, 900) / 3, array_fill(0, $count, 0));
            $window = mt_rand(1, 14);
            $needed = mt_rand(1, $window);
            [$above, $below] = Weights::parts($quotients, $weights);
            $below = RollingMean::trailing($below, $window, $needed);
            $slow = [Weights::quotients(RollingMean::trailing($above, $window, $needed), $below), $below];
            // NAN is no number, so the two are compared as they would be written.
            self::assertSame(
                var_export($slow, true),
                var_export(RollingMean::ratios($quotients, $weights, $window, $needed), true),
            );
            foreach ([[NAN, $weights[0]], [$quotients[0], NAN], [$quotients[0], 0.0]] as [$quotient, $weight]) {
                $holed = [array_replace($quotients, [$quotient]), array_replace($weights, [$weight])];
                self::assertNull(RollingMean::ratios($holed[0], $holed[1], $window, $needed));
            }
        }
    }

    public function testAMissingValueSpreadsNoFurtherThanItsWindow(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 60; $round++) {
            $values = array_map(static fn(): float => (float) mt_rand(-50, 50), array_fill(0, mt_rand(1, 60), 0));
            $hole = mt_rand(0, count($values) - 1);
            $window = mt_rand(1, 14);
            $whole = RollingMean::trailing($values, $window, $window);
            $values = array_values(array_replace($values, [$hole => NAN]));
            foreach (RollingMean::trailing($values, $window, $window) as $i => $mean) {
                $touched = $i >= $hole && $i < $hole + $window;
                self::assertSame($touched || is_nan($whole[$i]), is_nan($mean));
                self::assertTrue($touched || is_nan($mean) || abs($mean - $whole[$i]) < 1e-12);
            }
        }
    }

    /** @param array<string, mixed> $settings */
    #[TestWith([['window' => 1], '“window” is 1; it can be from 2'])]
    #[TestWith([['window' => 'a year'], '“window” must be a whole number'])]
    #[TestWith([['window' => 6, 'needed' => 7], 'a window of 6 cannot have 7 values'])]
    public function testSettingsOfARollingMeanAreChecked(array $settings, string $message): void
    {
        $this->expectException(InvalidSetting::class);
        $this->expectExceptionMessage($message);
        StopCatalogue::make('rolling', $settings);
    }

    // Index.

    public function testTheAverageOfTheBaseIsAHundred(): void
    {
        $run = Make::run(Make::leakage(), 'index', ['base' => '2019']);
        $values = Make::values($run, 'home', 10);
        // The months of 2019 are 100 to 111, their mean 105.5.
        self::assertSame(round((100 / 105.5) * 100, 10), $values[0]);
        self::assertEqualsWithDelta(100, array_sum(array_slice($values, 0, 12)) / 12, 1e-9);
        self::assertSame(['2019 = 100', MeasureKind::Rate], [$run->table()->unit->text(), $run->table()->kind]);
        self::assertSame(100.0, Make::values(Make::run(Make::leakage(), 'index', ['base' => '2020-03']), 'tarrow')[14]);
    }

    public function testReReferencingLeavesRelativeChangesAsTheyWere(): void
    {
        $data = Make::leakage();
        $rail = Rail::of()
            ->with(StopCatalogue::make('index', ['base' => '2019']))
            ->with(StopCatalogue::make('index', ['base' => '2020-06']));
        $twice = $rail->run($data->table('leakage'), $data);
        $once = Make::run($data, 'index', ['base' => '2020-06']);
        foreach (['home', 'marl', 'tarrow'] as $key) {
            self::assertEquals(Make::values($once, $key, 9), Make::values($twice, $key, 9));
        }
    }

    public function testASeriesWithoutABaseIsNamedWithTheReasonAndTheOthersGoOn(): void
    {
        $run = Make::run(
            Make::data([
                'flow' => [
                    'Ml',
                    MeasureKind::Stock,
                    '2019',
                    [
                        'home' => [10, 20, 30],
                        'late' => [null, 5, 6],
                        'zero' => [0, 4, 5],
                        'below' => [-2, 1, 1],
                        'never' => [null, null, null],
                    ],
                ],
            ]),
            'index',
            ['base' => '2019'],
        );
        self::assertSame([100.0, 200.0, 300.0], Make::values($run, 'home'));
        self::assertSame([null, null, null], Make::values($run, 'zero'));
        self::assertSame(
            'Late, Zero and 2 more have no base in 2019: values begin in 2020.',
            self::remarks($run)[0]->sentence,
        );
        self::assertSame(
            'Late: values begin in 2020; Zero: the base is zero; Below: the base is below zero; Never: ' . 'no values',
            self::remarks($run)[0]->detail,
        );
    }

    public function testABaseWithGapsIsSaid(): void
    {
        $run = Make::run(
            Make::data(['flow' => ['Ml', MeasureKind::Flow, '2019-Q1', ['home' => [10, null, 20, 30, 40]]]]),
            'index',
            ['base' => '2019'],
        );
        self::assertSame([50.0, null, 100.0, 150.0, 200.0], Make::values($run, 'home'));
        self::assertSame('The base 2019 is incomplete: Home has 3 of 4 values.', self::remarks($run)[0]->sentence);
    }

    #[TestWith(['1999', 'The base 1999 is outside the data (Jan 2019 – Dec 2020)'])]
    #[TestWith(['#4', 'The base 4 does not match the periods here'])]
    public function testABaseThatIsNotThereIsRefused(string $base, string $message): void
    {
        self::assertStringContainsString(
            $message,
            (string) Make::run(Make::leakage(), 'index', ['base' => $base])->refused()?->refusal,
        );
    }

    public function testTheUsualBaseIsTheFirstYearThatMostHaveWhole(): void
    {
        $data = Make::leakage();
        $mean = StopCatalogue::make('rolling', ['window' => 12]);
        $arriving = Rail::of()->with($mean)->run($data->table('leakage'), $data)->table();
        self::assertSame(
            ['base' => '2020', 'at' => 'period', 'event' => '', 'as' => 'index', 'along' => 'calendar'],
            StopCatalogue::all()['index']::default($arriving, Scope::all($data))->settings(),
        );
    }

    // Units and the rail.

    #[TestWith(['Ml', 'connections', 1e6, 'l per connection'])]
    #[TestWith(['Ml', 'connections', 1e3, 'Ml per 1,000 connections'])]
    #[TestWith(['bursts', 'km', 100.0, 'bursts per 100 km'])]
    #[TestWith(['complaints', 'people', 1e3, 'complaints per 1,000 people'])]
    #[TestWith(['Ml', 'Ml', 100.0, '%'])]
    #[TestWith(['kWh per month', 'm3 per month', 1.0, 'kWh per m3'])]
    #[TestWith(['crowns/year', 'people', 1.0, 'crowns per person per year'])]
    public function testUnitsAreDivided(string $unit, string $by, float $times, string $expected): void
    {
        self::assertSame($expected, Unit::parse($unit)->over(Unit::parse($by), $times)->text());
    }

    public function testAUnitSaysItsPeriodOnceHoweverOftenItIsAsked(): void
    {
        $each = Unit::parse('Ml')->each(Frequency::Month);
        self::assertSame(['Ml per month', 'Ml per month'], [$each->text(), $each->each(Frequency::Month)->text()]);
        self::assertSame('Ml', Unit::parse('Ml')->each(Frequency::Number)->text());
        // Powers of ten go into prefixes, and the m of miles is none.
        self::assertSame(
            ['t', 'GWh', 'thousand miles', 'Ml'],
            array_map(
                static fn(string $unit, float $times): string => Unit::parse($unit)->shifted($times)->text(),
                ['kg', 'MWh', 'miles', 'Ml'],
                [0.001, 0.001, 0.001, 2.0],
            ),
        );
    }

    public function testTheOrderOfStopsMattersAndABypassedOnePassesFiguresOn(): void
    {
        $data = Make::leakage();
        $mean = StopCatalogue::make('rolling', ['window' => 12]);
        $index = StopCatalogue::make('index', ['base' => '2020']);
        $rail = Rail::of()->with($mean)->with($index);
        $first = $rail->run($data->table('leakage'), $data);
        $second = $rail->moving('s2', -1)->run($data->table('leakage'), $data);
        self::assertNotEquals(Make::values($first, 'home'), Make::values($second, 'home'));
        self::assertSame(['s2', 's1'], array_map(static fn($step): string => $step->placed->id, $second->steps));
        $bypassed = $rail->replacing(new PlacedStop('s1', $mean, true))->run($data->table('leakage'), $data);
        self::assertSame(
            Make::values(Make::run($data, 'index', ['base' => '2020']), 'home'),
            Make::values($bypassed, 'home'),
        );
    }

    /** @return list<Remark> */
    private static function remarks(Run $run): array
    {
        return $run->steps[0]->outcome->remarks;
    }

    public function testABaseThatReachesBeyondTheDataSaysHowMuchOfItThereIs(): void
    {
        // Fifty a month in the second half of 2019, a hundred in 2020; prices from July 2019 on, too.
        $half = [...array_fill(0, 6, 50), ...array_fill(0, 12, 100)];
        $data = Make::data([
            'flow' => ['crowns', MeasureKind::Flow, '2019-07', ['home' => $half, 'a' => $half]],
            'price-index' => ['2019 = 100', MeasureKind::Rate, '2019-07', ['home' => array_fill(0, 18, 100)]],
        ]);
        foreach (
            [
                ['index', ['base' => '2019'], 'average of 2019 = 100 (6 of 12 months)', 'all indexed lines'],
                [
                    'real-terms',
                    ['index' => 'price-index', 'prices' => '2019'],
                    'prices of 2019 (6 of 12 months)',
                    '6 of 12',
                ],
            ] as [$stop, $settings, $phrase, $remark]
        ) {
            $run = Make::run($data, $stop, $settings);
            [$step] = $run->steps;
            self::assertStringContainsString($phrase, $step->placed->stop->phrase($run->origin, Scope::all($data)));
            self::assertStringContainsString($remark, $step->outcome->remarks[0]->sentence);
            self::assertStringContainsString('6 of 12 months', $step->outcome->note);
        }
        $study = Make::study($data, StopCatalogue::make('index', ['base' => '2019']));
        $working = Working::of(Comparison::of($study, $data)->run, Scope::all($data), 'flow', 'home', 17);
        self::assertStringContainsString('mean of 6 of 12 values of Jul 2019 – Dec 2019', $working->text());
        self::assertStringContainsString(
            'mean of 6 of 12 values then',
            LiveNumber::change(
                Comparison::of(Make::study($data), $data),
                Comparison::of(Make::study($data), $data)->lines[0],
                '2019',
            )->working ?? '',
        );
        // A whole base says nothing of it.
        self::assertSame('', Make::run($data, 'index', ['base' => '2020'])->steps[0]->outcome->note);
    }

    public function testALevelOfManyMomentsUnderOneIsAveragedAndSaysSo(): void
    {
        $data = Make::data([
            'waiting' => ['patients', MeasureKind::Stock, '2023', ['home' => [300, 600]]],
            'beds' => ['bed', MeasureKind::Stock, '2023-01', ['home' => [...range(1, 12), ...array_fill(0, 12, 20)]]],
        ]);
        $run = Make::run($data, 'per-denominator', ['measure' => 'beds', 'times' => '100']);
        self::assertSame([round((300 / 6.5) * 100, 6), 3000.0], Make::values($run, 'home'));
        self::assertSame('mean Beds of each year', $run->steps[0]->outcome->note);
        self::assertSame('patients per 100 beds', $run->table()->unit->text());
    }
}
