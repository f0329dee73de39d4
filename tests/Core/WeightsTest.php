<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Divisor;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Time\Frequency;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A rate that says what it is per: several of its values together are a ratio of sums, as one would divide by hand. */
final class WeightsTest extends TestCase
{
    /** 80 % of 10, 90 % of 30, 50 % of 20, … : 8 + 27 = 35 of 40. */
    public function testYearsWindowsGroupsAndPeersOfARateAreRatiosOfSums(): void
    {
        $data = self::punctuality();
        self::assertSame(
            [
                ['a' => [65.0, 75.0], 'b' => [91.666667, null], 'home' => [70.0, 70.0], 'g:North' => [79.545455, null]],
                'ratio of sums of 4 values',
            ],
            self::ends($data, ['period', ['to' => 'year']], 'a'),
        );
        [$rolled, $how] = self::ends($data, ['rolling', ['window' => 2]], 'a', 1);
        self::assertSame([null, 87.5, 74.0, 50.0], array_slice($rolled['a'], 0, 4));
        self::assertSame('ratio of sums of 2 values, Q1 2020 – Q2 2020', $how);
        // What is rolled keeps its weights, so that a year of it is still the whole year's.
        $study = self::study($data)->withPart(new PeersPart(line: PeerLine::Pooled));
        $comparison = Comparison::of($study, $data);
        // a and b in the second quarter: 27 of 30 and 36 of 40.
        self::assertEqualsWithDelta(90.0, $comparison->peerLine[1], 1e-9);
        $plain = new PeersPart(line: PeerLine::Mean);
        self::assertEqualsWithDelta((80 + 95) / 2, Comparison::of($study->withPart($plain), $data)->peerLine[0], 1e-9);
    }

    /** The years of the late ones are 100 less those of the punctual ones; so with what is calculated as a measure. */
    public function testWhatIsMissingToAHundredKeepsItsWeights(): void
    {
        $data = self::punctuality();
        $late = self::study($data, ['formula', ['text' => '100 − here']], ['period', ['to' => 'year']]);
        $ends = [];
        foreach (Comparison::of($late, $data)->lines as $line) {
            $ends[$line->key] = array_map(
                static fn(float $v): ?float => is_nan($v) ? null : round($v, 6),
                $line->values,
            );
        }
        self::assertSame(
            ['a' => [35.0, 25.0], 'b' => [8.333333, null], 'home' => [30.0, 30.0], 'g:North' => [20.454545, null]],
            $ends,
        );
    }

    /** Late and cancelled are both per kilometre, and so is their sum; what is per something else is not added so. */
    public function testSumsOfRatesPerTheSameKeepTheirWeight(): void
    {
        $year = static function (string $per): array {
            $late = Make::measure('rate', '%', MeasureKind::Rate, '2020-Q1')->withPer('run');
            $lost = Make::measure('lost', '%', MeasureKind::Rate, '2020-Q1')->withPer($per);
            $run = Make::measure('run', 'km', MeasureKind::Flow, '2020-Q1');
            $trips = Make::measure('trips', 'trips', MeasureKind::Flow, '2020-Q1');
            $data = new DataInMemory(
                [$late, $lost, $run, $trips],
                [new Entity('a', 'A'), new Entity('b', 'B')],
                [
                    'rate' => Make::table($late, '2020-Q1', ['a' => [10, 20, 30, 40], 'b' => [1, 1, 1, 1]]),
                    'lost' => Make::table($lost, '2020-Q1', ['a' => [1, 2, 3, 4], 'b' => [1, 1, 1, 1]]),
                    'run' => Make::table($run, '2020-Q1', ['a' => [40, 30, 20, 10], 'b' => [1, 1, 1, 1]]),
                    'trips' => Make::table($trips, '2020-Q1', ['a' => [1, 1, 1, 7], 'b' => [1, 1, 1, 1]]),
                ],
            );
            $study = self::study($data, ['formula', ['text' => 'here + Lost']], ['period', ['to' => 'year']]);
            $comparison = Comparison::of($study, $data);

            return [$comparison->lines[0]->values[0], $comparison->run->refused()?->placed->id];
        };
        // 11 × 40 + 22 × 30 + 33 × 20 + 44 × 10 of 100.
        self::assertSame([22.0, null], $year('run'));
        self::assertNotNull($year('trips')[1]);
    }

    public function testWhatHasNoWeightIsSaidAndHasNoYear(): void
    {
        $data = self::punctuality();
        $run = Comparison::of(self::study($data, ['period', ['to' => 'year']]), $data)->run;
        self::assertStringContainsString(
            'B: 4.2 % of all values have nothing to be weighted by',
            $run->steps[0]->outcome->remarks[0]->sentence,
        );
        // Without a weight there is no year of a rate, and the way out is said.
        $unknown = self::punctuality(per: '');
        $run = Comparison::of(self::study($unknown, ['period', ['to' => 'year']]), $unknown)->run;
        self::assertStringContainsString('neither the sum nor the mean', (string) $run->refused()?->refusal);
    }

    /** Equal weights make a mean; and a division and a window can change places. */
    public function testAWeightedMeanOfEqualWeightsIsTheMeanAndDivisionsRollBothParts(): void
    {
        mt_srand(16);
        for ($round = 0; $round < 40; $round++) {
            $rates = array_map(static fn(): float => mt_rand(0, 1000) / 10, range(1, 12));
            $same = self::table(['home' => $rates], ['home' => array_fill(0, 12, 7.0)]);
            $means = self::ends($same, ['rolling', ['window' => 4]], 'home')[0]['home'];
            foreach (range(3, 11) as $i) {
                self::assertEqualsWithDelta(array_sum(array_slice($rates, $i - 3, 4)) / 4, $means[$i], 1e-5);
            }
            $divisors = array_map(static fn(): float => (float) mt_rand(1, 500), range(1, 12));
            $amounts = array_map(static fn(): float => (float) mt_rand(0, 900), range(1, 12));
            $data = Make::data([
                'amount' => ['Ml', MeasureKind::Flow, '2020-Q1', ['home' => $amounts]],
                'divisor' => ['km', MeasureKind::Flow, '2020-Q1', ['home' => $divisors]],
            ]);
            $per = ['per-denominator', ['measure' => 'divisor', 'times' => 1]];
            foreach (['rolling' => ['window' => 4], 'period' => ['to' => 'year']] as $stop => $settings) {
                $study = Make::study(
                    $data,
                    StopCatalogue::make($per[0], $per[1]),
                    StopCatalogue::make($stop, $settings),
                );
                $values = Comparison::of($study, $data)->lines[0]->values;
                foreach ($stop === 'rolling' ? range(3, 11) : [0, 1, 2] as $i) {
                    $from = $stop === 'rolling' ? $i - 3 : 4 * $i;
                    self::assertEqualsWithDelta(
                        array_sum(array_slice($amounts, $from, 4)) / array_sum(array_slice($divisors, $from, 4)),
                        $values[$i],
                        1e-9,
                    );
                }
            }
        }
    }

    /** The working days of a country divide what each district does, and what they do together. */
    public function testADenominatorOfAllIsUsedForEachLineAndForTheirSum(): void
    {
        $cases = ['a' => [100, 90, 120], 'b' => [50, 45, 66]];
        $made = static fn(string $of): DataInMemory => Make::data([
            'cases' => ['cases', MeasureKind::Flow, '2024-01', $cases],
            'days' => ['working days', MeasureKind::Flow, '2024-01', [$of => [20, 18, 22]]],
        ]);
        $data = $made('country');
        $study = Make::study($data, StopCatalogue::make('per-denominator', ['measure' => 'days']));
        $entities = array_map(
            static fn(Entity $e): Entity => new Entity($e->key, $e->name, $e->key === 'country' ? '' : 'North'),
            array_values($data->entities()),
        );
        $tables = ['cases' => $data->table('cases'), 'days' => $data->table('days')];
        $grouped = new DataInMemory(array_values($data->measures()), $entities, $tables);
        $comparison = Comparison::of($study->withPart(LinesPart::from(['groups' => ['North']])), $grouped);
        $values = static fn(Comparison $of): array => array_map(
            static fn(Line $l): array => array_map(static fn(float $v): float => round($v, 9), $l->values),
            array_column($of->lines, null, 'key'),
        );
        self::assertSame(
            [
                'a' => [5.0, 5.0, round(120 / 22, 9)],
                'b' => [2.5, 2.5, 3.0],
                'g:North' => [7.5, 7.5, round(186 / 22, 9)],
            ],
            $values($comparison),
        );
        self::assertSame('sum of 2', $comparison->groupInWords('g:North'));
        $remark = $comparison->run->steps[0]->outcome->remarks[0]->sentence;
        self::assertStringContainsString('known of Country alone', $remark);
        // By the quarter, and rolled: sums of both, whoever they are of.
        foreach ([['period', ['to' => 'quarter']], ['rolling', ['window' => 3]]] as $stop) {
            $more = $study->withRail($study->rail->with(StopCatalogue::make(...$stop)));
            $ends = $values(Comparison::of($more->withPart(LinesPart::from(['groups' => ['North']])), $grouped));
            $last = array_map(static fn(array $of): float => $of[count($of) - 1], $ends);
            self::assertEqualsWithDelta(['a' => 310 / 60, 'b' => 161 / 60, 'g:North' => 471 / 60], $last, 1e-8);
        }
        // That of one of the lines is its own alone.
        $own = $made('a');
        $only = Comparison::of(Make::study($own, StopCatalogue::make('per-denominator', ['measure' => 'days'])), $own);
        self::assertNan($only->lines[1]->values[0]);
    }

    /** What flows in a year per head and day is one number, in whichever order it is calculated. */
    public function testPerDayPerHeadAndByTheYearAreTheSameInAnyOrder(): void
    {
        mt_srand(365);
        for ($round = 0; $round < 30; $round++) {
            $first = mt_rand(2018, 2021);
            $rows = $heads = [];
            foreach (['a', 'b'] as $key) {
                $rows[$key] = array_map(static fn(): int => mt_rand(50, 900), range(1, 24));
                $heads[$key] = [mt_rand(10, 90), mt_rand(10, 90)];
            }
            $data = Make::data([
                'flow' => ['Ml', MeasureKind::Flow, "{$first}-01", $rows],
                'heads' => ['heads', MeasureKind::Stock, (string) $first, $heads],
            ]);
            $working = mt_rand(0, 1) === 1;
            $stops = [
                'head' => ['per-denominator', ['measure' => 'heads']],
                'day' => ['per-day', ['days' => $working ? 'working' : 'all']],
                'year' => ['period', ['to' => 'year']],
            ];
            foreach (
                [
                    ...['head day year', 'head year day', 'day head year'],
                    ...['day year head', 'year head day', 'year day head'],
                ] as $order
            ) {
                $rail = Rail::of();
                foreach (explode(' ', $order) as $name) {
                    $rail = $rail->with(StopCatalogue::make(...$stops[$name]));
                }
                $run = $rail->run($data->table('flow'), $data);
                self::assertNull($run->refused()?->refusal, $order);
                $per = $run->table()->unit->per;
                sort($per);
                self::assertSame($working ? ['head', 'working day'] : ['day', 'head'], $per, $order);
                foreach ($rows as $key => $values) {
                    foreach ([0, 1] as $year) {
                        $days = 0;
                        $end = new DateTimeImmutable(($first + $year + 1) . '-01-01');
                        for (
                            $day = new DateTimeImmutable(($first + $year) . '-01-01');
                            $day < $end;
                            $day = $day->modify('+1 day')
                        ) {
                            $days += !$working || (int) $day->format('N') < 6 ? 1 : 0;
                        }
                        self::assertEqualsWithDelta(
                            array_sum(array_slice($values, 12 * $year, 12)) / $heads[$key][$year] / $days,
                            $run->table()->series[$key]->values[$year],
                            1e-12,
                            "{$order} {$round}",
                        );
                    }
                }
            }
        }
    }

    #[TestWith(['Leakage per connection', 'l', 'connections'])]
    #[TestWith(['Waste', 'kg/person', 'people'])]
    #[TestWith(['Mean wait per patients', 'days', ''])]
    #[TestWith(['Spending per head', 'kr', 'people'])]
    #[TestWith(['Punctuality', '%', ''])]
    #[TestWith(['Rate per rate', '%', ''])]
    public function testANameOrAUnitTellsWhatARateIsPer(string $name, string $unit, string $per): void
    {
        $others = [];
        foreach (
            ['connections' => MeasureKind::Stock, 'people' => MeasureKind::Stock, 'rate' => MeasureKind::Rate]
            as $key => $kind
        ) {
            $others[] = Measure::of($key, ucfirst($key), '', $kind, Frequency::Year);
        }
        self::assertSame($per, Divisor::guess($name, $unit, $others));
    }

    /**
     * @param array{string, array<string, mixed>} $stop
     * @return array{array<string, list<float|null>>, string} values by line, and how one of them came about
     */
    private static function ends(DataInMemory $data, array $stop, string $explained, int $at = 0): array
    {
        $comparison = Comparison::of(self::study($data, $stop), $data);
        $run = $comparison->run;
        $ends = [];
        foreach ($comparison->lines as $line) {
            $ends[$line->key] = Make::values($run, $line->key);
        }
        $step = $run->steps[0];
        $how = $step->placed->stop->explain($step->arriving, $step->outcome->table, $comparison->data, $explained, $at);

        return [$ends, $how->text];
    }

    /** @param array{string, array<string, mixed>} ...$stops */
    private static function study(DataInMemory $data, array ...$stops): Study
    {
        $rail = Rail::of();
        foreach ($stops as $stop) {
            $rail = $rail->with(StopCatalogue::make($stop[0], $stop[1]));
        }

        return Study::first('S', 'rate', $data)->withRail($rail)->withPart(new LinesPart(groups: ['North']));
    }

    private static function punctuality(string $per = 'run'): DataInMemory
    {
        return self::table(
            [
                'a' => [80, 90, 50, 50, 75, 75, 75, 75],
                'b' => [95, 90, 95, 90, 90, 90, 90, 90],
                'home' => array_fill(0, 8, 70),
            ],
            [
                'a' => [10, 30, 20, 40, 10, 10, 10, 10],
                'b' => [20, 40, 20, 0 + 40, 10, 10, 10, null],
                'home' => array_fill(0, 8, 100),
            ],
            $per,
        );
    }

    /**
     * @param array<string, list<float|int|null>> $rates
     * @param array<string, list<float|int|null>> $weights
     */
    private static function table(array $rates, array $weights, string $per = 'run'): DataInMemory
    {
        $rate = Make::measure('rate', '%', MeasureKind::Rate, '2020-Q1')->withPer($per);
        $run = Make::measure('run', 'km', MeasureKind::Flow, '2020-Q1');
        $entities = array_map(
            static fn(string $k): Entity => new Entity(
                $k,
                ucfirst($k),
                $k === 'home' ? 'South' : 'North',
                $k === 'home',
            ),
            array_keys($rates),
        );

        return new DataInMemory([$rate, $run], $entities, [
            'rate' => Make::table($rate, '2020-Q1', $rates),
            'run' => Make::table($run, '2020-Q1', $weights),
        ]);
    }
}
