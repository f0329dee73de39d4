<?php

declare(strict_types=1);

namespace Tests\Core;

use App\Drawing\Svg;
use DuskRail\Chart\Palette;
use DuskRail\Data\Breakdown;
use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\BreakdownsPart;
use DuskRail\Document\Parts\ContributionsPart;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\ContributionRow;
use DuskRail\Outcome\Whole;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Statistics\Contributions;
use DuskRail\Statistics\ContributionTerm as Term;
use DuskRail\Statistics\Total;
use DuskRail\Time\Frequency;
use DuskRail\Views\SparksView;
use DuskRail\Words\ContributionClaims;
use DuskRail\Words\ContributionWords;
use DuskRail\Words\ContributionWorking;
use DuskRail\Words\Sentences\Claim;
use DuskRail\Words\Sentences\WhoAccounts;
use DuskRail\Words\SparkColumns;
use PHPUnit\Framework\TestCase;

/** Who accounts for a change, against formulas and sums worked out here a second time. */
final class ContributionsTest extends TestCase
{
    /** All parts of 4,000 random wholes with entries and exits add up, and each is what its formula says. */
    public function testPartsAddUpToTheChangeAndAreWhatTheFormulasSay(): void
    {
        mt_srand(1955);
        for ($n = 0; $n < 1000; $n++) {
            [$first, $last] = [self::random(), []];
            $keys = array_keys($first);
            foreach ($keys as $i => $key) {
                [$amount, $weight] = $first[$key];
                $last[$key] = [$amount * (0.7 + mt_rand(0, 600) / 1000), $weight * (0.9 + mt_rand(0, 200) / 1000)];
                // The first two stay; of the others some come and some go.
                match ($i < 2 ? 9 : mt_rand(0, 9)) {
                    0 => ($first[$key] = [NAN, NAN]),
                    1 => ($last[$key] = [NAN, NAN]),
                    default => null,
                };
            }
            self::assertAddUp(Contributions::toSum(self::amounts($first), self::amounts($last)));
            foreach ([true, false] as $midpoint) {
                $result = Contributions::toRatio($first, $last, $midpoint);
                self::assertAddUp($result);
                self::assertRatio($result, $first, $last, $midpoint);
            }
            [$factors, $factorsAfter] = [self::chain($first), self::chain($last)];
            $products = Contributions::toProducts(self::amounts($first), self::amounts($last), $factors, $factorsAfter);
            self::assertAddUp($products);
            foreach ($products->parts as $part) {
                if (!is_nan($part->before[0]) && !is_nan($part->after[0])) {
                    self::assertOrders($part->terms, $factors[$part->key], $factorsAfter[$part->key]);
                }
            }
        }
    }

    /**
     * Das Gupta (1993), tables 2.1 and 2.2, values from memory: mean earnings and share of earners of two populations,
     * whose product they are; and three factors of a birth rate. Expected are the means over all orders of change.
     */
    public function testFactorsAreThoseOfAllOrdersOfChange(): void
    {
        $two = Contributions::toProducts(
            ['a' => 10_930 * 0.717892],
            ['a' => 16_591 * 0.825974],
            ['a' => [10_930.0, 0.717892]],
            ['a' => [16_591.0, 0.825974]],
        );
        self::assertEqualsWithDelta(4369.9, $two->term(Term::First), 0.1);
        self::assertEqualsWithDelta(1487.3, $two->term(Term::Second), 0.1);
        [$first, $last] = [[51.78746, 0.45919, 0.52638], [84.90502, 0.75756, 0.51065]];
        $three = Contributions::toProducts(
            ['a' => array_product($first)],
            ['a' => array_product($last)],
            ['a' => $first],
            ['a' => $last],
        );
        self::assertOrders($three->parts[0]->terms, $first, $last);
        self::assertEqualsWithDelta(20.33, $three->change(), 0.01);
    }

    /** Each rate fell, and the whole rose: worked by hand with weights of 10 and 90 that became 50 and 50. */
    public function testAllOfAChangeCanBeMix(): void
    {
        $result = Contributions::toRatio(
            ['low' => [900.0, 90.0], 'high' => [500.0, 10.0]],
            ['low' => [450.0, 50.0], 'high' => [2400.0, 50.0]],
        );
        // From 14 to 28.5: rates −0.7 and −0.6; shares −0.4 and +0.4, about the middle of 21.25.
        self::assertEqualsWithDelta(14.5, $result->change(), 1e-12);
        self::assertEqualsWithDelta(-0.7 - 0.6, $result->term(Term::Rate), 1e-12);
        self::assertEqualsWithDelta(-0.4 * (9.5 - 21.25) + 0.4 * (49.0 - 21.25), $result->term(Term::Mix), 1e-12);
    }

    public function testAWholeIsASumARatioOrAMeanByWhatItsValuesAre(): void
    {
        $data = self::trade();
        $sum = Contributed::of(Comparison::of(Make::study($data), $data));
        self::assertSame([Whole::Sum, 100.0 + 60 + 40 + 20 + 10], [$sum->whole, $sum->result->before]);
        self::assertSame(['2020', '2022'], $sum->ends);

        $ratio = Contributed::of(self::perPerson());
        self::assertSame(Whole::Ratio, $ratio->whole);
        self::assertEqualsWithDelta(230 / 1000, $ratio->result->before, 1e-12);
        self::assertEqualsWithDelta(180 / 1100, $ratio->result->after, 1e-12);

        $values = ['a' => [4, 6], 'b' => [2, 3], 'c' => [9, 9]];
        $rates = Make::data(['rate' => ['%', MeasureKind::Rate, '2020', $values]]);
        $mean = Contributed::of(Comparison::of(Make::study($rates), $rates));
        self::assertSame([Whole::Mean, 5.0, 6.0], [$mean->whole, $mean->result->before, $mean->result->after]);
        self::assertSame(['a', 'b', 'c'], array_column($mean->members, 'key'));
        self::assertStringContainsString('each counts the same', implode(ContributionWords::notes($mean)));
    }

    /** Who goes on and lacks a value is at neither end; who came or went is said so. */
    public function testWhoLacksAValueIsExcludedAndWhoCameOrWentIsSaid(): void
    {
        $data = Make::data([
            'cases' => [
                'cases',
                MeasureKind::Flow,
                '2018',
                [
                    'stays' => [10, 10, 10, 10, 30],
                    'gone' => [8, 8, NAN, NAN, NAN],
                    'new' => [NAN, NAN, NAN, 5, 7],
                    'gap' => [6, 6, 6, 6, NAN],
                    'other' => [3, 3, 3, 3, 4],
                ],
            ],
        ]);
        $contributed = Contributed::of(Comparison::of(Make::study($data), $data));
        $names = array_map(
            static fn(ContributionRow $row): string => ContributionWords::name($contributed, $row),
            $contributed->members,
        );
        self::assertSame(['Stays', 'New (came in)', 'Other', 'Gone (left)'], $names);
        self::assertSame(['Gap'], $contributed->leftOut);
        self::assertSame([21.0, 41.0], [$contributed->result->before, $contributed->result->after]);
        self::assertSame(
            [20.0, 7.0, 1.0, -8.0],
            array_map(static fn(ContributionRow $row): float => $row->change, $contributed->members),
        );
    }

    /** The picture says who is not in it, and which factors are not taken apart; none is taken apart by itself. */
    public function testThePictureSaysWhatIsNotInIt(): void
    {
        $data = self::trade();
        $picture = static fn(Study $study, DataInMemory $of): string => Svg::standalone(
            Make::picture(Comparison::of($study->withView('contributions'), $of)),
            Palette::day(),
            '',
        );
        $study = Make::study($data)->withPart(new ContributionsPart(factor: 'people'));
        self::assertStringContainsString('change of cases per person', $picture($study, $data));
        self::assertStringNotContainsString('the rail ends in ratios', $picture($study, $data));
        $divided = $study->withRail(
            Rail::of()->with(StopCatalogue::make('per-denominator', ['measure' => 'people'])),
        );
        self::assertStringContainsString('the rail ends in ratios', $picture($divided, $data));
        $series = ['a' => [1, 2, 3], 'b' => [4, 4, 5], 'gap' => [2, 2, NAN]];
        $gaps = Make::data(['cases' => ['cases', MeasureKind::Flow, '2020', $series]]);
        self::assertStringContainsString('one: Gap.', $picture(Make::study($gaps), $gaps));
        $this->expectExceptionMessage('Cases cannot be taken apart by itself');
        Contributed::of(
            Comparison::of(Make::study($data)->withPart(new ContributionsPart(factor: 'cases')), $data),
        );
    }

    /** Whole years are compared where months have seasons: two years and a month of them, and one month fewer. */
    public function testMonthsWithSeasonsAreComparedByWholeYears(): void
    {
        $ends = static function (int $months, array $settings = []): array {
            $values = array_map(static fn(int $i): float => 50 + ($i % 12), range(0, $months - 1));
            $data = Make::data(['calls' => ['calls', MeasureKind::Flow, '2020-01', ['a' => $values, 'b' => $values]]]);
            $study = Make::study($data)->withPart(ContributionsPart::from($settings));

            return Contributed::of(Comparison::of($study, $data))->ends;
        };
        self::assertSame(['2020', '2021'], $ends(24));
        self::assertSame(['November 2020', 'November 2021'], $ends(23));
        self::assertSame(['January 2020', 'December 2021'], $ends(24, ['ends' => 'periods']));
    }

    public function testFewAreShownByThemselvesAndTheOthersTogetherBySide(): void
    {
        $series = [];
        foreach ([-50, -20, -9, -8, -7, 5, 6, 30] as $i => $change) {
            $series["m{$i}"] = [100, 100 + $change];
        }
        $data = Make::data(['cases' => ['cases', MeasureKind::Flow, '2020', $series]]);
        $study = Make::study($data)->withPart(new ContributionsPart(top: 3));
        $contributed = Contributed::of(Comparison::of($study, $data));
        $rows = array_map(
            static fn(ContributionRow $row): string => "{$row->name} {$row->change}",
            $contributed->rows,
        );
        self::assertSame(['M0 -50', 'M1 -20', '3 others fell -24', '2 others rose 11', 'M7 30'], $rows);
        // Half of the fall of 53 is more than made by the first alone, of 8.
        self::assertSame('M0 accounts for 94 % of the fall', ContributionClaims::claim($contributed));
    }

    /** Ups and downs that leave a tenth of themselves are a change; those that leave less are none to account for. */
    public function testSharesAreGivenWhereAChangeIsLeft(): void
    {
        $shares = static function (float $up): bool {
            $data = Make::data(
                ['cases' => ['cases', MeasureKind::Flow, '2020', ['a' => [100, 55], 'b' => [100, 100 + $up]]]],
            );

            return Contributed::of(Comparison::of(Make::study($data), $data))->hasShares;
        };
        self::assertTrue($shares(55));
        self::assertFalse($shares(54));
    }

    public function testWhatMakesNoWholeIsRefusedWithTheRemedy(): void
    {
        $data = self::trade();
        foreach (['rank' => 'Turn off the last stop', 'share' => 'Turn off “Share”'] as $stop => $remedy) {
            $study = Make::study($data, StopCatalogue::make($stop, []));
            try {
                Contributed::of(Comparison::of($study, $data));
                self::fail($stop);
            } catch (InvalidStudy $refusal) {
                self::assertStringContainsString($remedy, $refusal->getMessage());
            }
        }
        $one = Make::data(['cases' => ['cases', MeasureKind::Flow, '2020', ['a' => [4], 'b' => [5]]]]);
        $this->expectExceptionMessage('A change needs two periods');
        Contributed::of(Comparison::of(Make::study($one), $one));
    }

    /** What is said is held against the figures on 3,000 random tables. */
    public function testWhatIsSaidIsTrueOfTheFigures(): void
    {
        mt_srand(1993);
        $kinds = [];
        for ($n = 0; $n < 3000; $n++) {
            $series = [];
            for ($i = 0, $count = mt_rand(2, 14); $i < $count; $i++) {
                $value = (float) mt_rand(1, 40);
                $series["m{$i}"] = [$value, max(0.0, $value + mt_rand(-9, 9) * mt_rand(0, 3))];
            }
            $data = Make::data(['cases' => ['cases', MeasureKind::Flow, '2020', $series]]);
            $study = Make::study($data);
            $text = ContributionClaims::headline(Contributed::of(Comparison::of($study, $data)));
            $kinds[self::held($text, $series)] = true;
        }
        ksort($kinds);
        self::assertSame(['cancel', 'few', 'named', 'none', 'spread'], array_keys($kinds));
    }

    /** @param array<string, array{float, float}> $series */
    private static function held(string $text, array $series): string
    {
        $changes = [];
        foreach ($series as $key => [$first, $last]) {
            $changes[ucfirst($key)] = $last - $first;
        }
        $change = array_sum($changes);
        if (str_contains($text, 'no change together')) {
            self::assertEqualsWithDelta(0.0, $change, 1e-9, $text);

            return 'none';
        }
        if (preg_match('/(\d+) up and (\d+) down nearly cancel/', $text, $m) === 1) {
            self::assertCount((int) $m[1], array_filter($changes, static fn(float $c): bool => $c > 0), $text);
            self::assertCount((int) $m[2], array_filter($changes, static fn(float $c): bool => $c < 0), $text);
            self::assertLessThan(0.1 * array_sum(array_map(abs(...), $changes)), abs($change), $text);

            return 'cancel';
        }
        self::assertStringContainsString($change < 0 ? 'the fall' : 'the rise', lcfirst($text));
        $shares = array_map(static fn(float $c): float => (100 * $c) / $change, $changes);
        arsort($shares);
        $spread = '/^The (fall|rise) is spread out: half of it takes (\d+) of (\d+); (.+) accounts for (\S+) %/';
        if (preg_match($spread, $text, $m) === 1) {
            $some = array_slice($shares, 0, (int) $m[2]);
            self::assertGreaterThanOrEqual(50.0 - 1e-9, array_sum($some), $text);
            self::assertLessThan(50.0, array_sum(array_slice($some, 0, -1)), $text);
            $most = (float) reset($shares);
            self::assertEqualsWithDelta((float) $m[5], $most, 0.5 + 1e-9, $text);
            self::assertEqualsWithDelta($most, $shares[$m[4]], 1e-9, $text);

            return 'spread';
        }
        $few = '/^(Three|Four|Five|Six) of (\d+)(?:, .*,)? account for (?:([\d.,]+) %|more than all)/';
        if (preg_match($few, $text, $m) === 1) {
            $count = ['Three' => 3, 'Four' => 4, 'Five' => 5, 'Six' => 6][$m[1]];
            self::assertCount((int) $m[2], $series, $text);
            $sum = array_sum(array_slice($shares, 0, $count));
            $said = isset($m[3]) ? (float) strtr($m[3], [',' => '']) : max(100.0, $sum);
            self::assertEqualsWithDelta($said, $sum, 0.5 + 1e-9, $text);
            self::assertLessThan(50.0, array_sum(array_slice($shares, 0, $count - 1)), $text);

            return 'few';
        }
        if (preg_match('/^(.+?) accounts? for more than all of/', $text, $m) === 1) {
            $sum = array_sum(array_intersect_key($shares, array_flip(explode(' and ', $m[1]))));
            self::assertGreaterThan(100.0, $sum, $text);

            return 'named';
        }
        if (preg_match('/^(.+?) accounts? for ([\d.,]+) % of/', $text, $m) !== 1) {
            self::fail($text);
        }
        $sum = array_sum(array_intersect_key($shares, array_flip(explode(' and ', $m[1]))));
        self::assertEqualsWithDelta((float) strtr($m[2], [',' => '']), $sum, 0.5 + 1e-9, $text);
        self::assertGreaterThanOrEqual(50.0 - 1e-9, $sum, $text);

        return 'named';
    }

    /** Of five it is worth saying who accounts for a change, of four it is not. */
    public function testItIsProposedWhereThereAreEnoughMembers(): void
    {
        $claims = static function (int $count): array {
            $series = [];
            for ($i = 0; $i < $count; $i++) {
                $series["m{$i}"] = [100, $i === 0 ? 50 : 98];
            }
            $data = Make::data(['cases' => ['cases', MeasureKind::Flow, '2020', $series]]);

            return array_map(
                static fn(Claim $claim): string => $claim->sentence,
                (new WhoAccounts())->claims(Comparison::of(Make::study($data), $data)),
            );
        };
        self::assertSame([], $claims(4));
        self::assertSame(['Cases: M0 accounts for 86 % of the fall, from 2020 to 2021'], $claims(5));
    }

    /** In Sparks each row has its part of the change, each group that of its members, and all of it is below. */
    public function testRowsOfSparksSayWhatTheyAddToTheChange(): void
    {
        mt_srand(41);
        for ($n = 0; $n < 20; $n++) {
            $entities = $series = [];
            for ($i = 0; $i < 9; $i++) {
                $series["m{$i}"] = [(float) mt_rand(50, 150), (float) mt_rand(50, 150), (float) mt_rand(60, 180)];
                $entities[] = new Entity("m{$i}", "M{$i}", $i < 4 ? 'North' : 'South');
            }
            $measure = Make::measure('cases', 'cases', MeasureKind::Flow, '2020');
            $data = new DataInMemory([$measure], $entities, ['cases' => Make::table($measure, '2020', $series)]);
            $study = (new Study('Cases', 'cases', Rail::of(), []))->withView('sparks');
            $plain = Comparison::of($study, $data);
            self::assertSame(7, count((new SparksView())->values($plain)->heads));
            $comparison = Comparison::of($study->withPart(SparksPart::from(['contributions' => true])), $data);
            $values = (new SparksView())->values($comparison);
            $change = array_sum(array_map(static fn(array $of): float => $of[2] - $of[0], $series));
            self::assertSame('Contribution', $values->heads[7]);
            foreach ($values->rows as $row) {
                $own = $series[strtolower((string) $row[0])];
                self::assertEqualsWithDelta($own[2] - $own[0], $row[7], 1e-9);
                if (isset($values->heads[8])) {
                    self::assertEqualsWithDelta((100 * ($own[2] - $own[0])) / $change, $row[8], 1e-9);
                }
            }
            $table = (new SparksView())->outcome($comparison);
            $members = array_slice($series, 0, 4);
            self::assertEqualsWithDelta(
                array_sum(array_map(static fn(array $of): float => $of[2] - $of[0], $members)),
                $table->contributions?->change($table->totals['North']),
                1e-9,
            );
            $together = SparkColumns::together($table);
            self::assertSame('Together (sum of 9)', $together[0] ?? '');
            self::assertSame($comparison->precision->signed($change), $together[1][0] ?? '');
        }
        $places = Comparison::of(
            $study->withPart(SparksPart::from(['contributions' => true]))->withRail(
                Rail::of()->with(StopCatalogue::make('rank', [])),
            ),
            $data,
        );
        $notes = (new SparksView())->values($places)->notes;
        self::assertStringContainsString('No contributions are shown. The result of the rail', implode(' ', $notes));
    }

    /** Kitagawa (1955): the difference of two crude rates is one of rates and one of composition. */
    public function testTwoEntitiesAreComparedAcrossABreakdown(): void
    {
        $deaths = Measure::of('deaths', 'Deaths', 'deaths', MeasureKind::Flow, Frequency::Year);
        $people = Measure::of('people', 'People', 'people', MeasureKind::Stock, Frequency::Year);
        $known = [
            'young' => ['a' => [40.0, 40_000.0], 'b' => [150.0, 100_000.0]],
            'old' => ['a' => [600.0, 10_000.0], 'b' => [1500.0, 20_000.0]],
        ];
        $tables = [];
        foreach ($known as $age => $ends) {
            foreach ([$deaths, $people] as $at => $measure) {
                $tables["{$measure->key}/age={$age}"] = Make::table(
                    $measure,
                    '2023',
                    array_map(static fn(array $end): array => [2.0 * $end[$at], $end[$at]], $ends),
                );
            }
        }
        $breakdown = new Breakdown('age', 'Age', ['young' => 'Young', 'old' => 'Old']);
        $entities = [new Entity('a', 'Ashen'), new Entity('b', 'Birchen')];
        $data = new DataInMemory([$deaths, $people], $entities, $tables, breakdowns: ['age' => $breakdown]);
        $stop = StopCatalogue::make('per-denominator', ['measure' => 'people', 'times' => 1000]);
        $study = Study::first('Deaths', 'deaths', $data)
            ->withRail(Rail::of()->with($stop))
            ->withFocus(['a' => 1])
            ->withPart(BreakdownsPart::from(['by' => ['age' => ['show' => 'lines']]]))
            ->withPart(new ContributionsPart(beside: 'b'));
        $contributed = Contributed::of(Comparison::of($study, $data));
        self::assertSame(['Birchen', 'Ashen'], $contributed->ends);
        self::assertEqualsWithDelta(1000 * (1650 / 120_000), $contributed->result->before, 1e-9);
        self::assertEqualsWithDelta(1000 * (640 / 50_000), $contributed->result->after, 1e-9);
        // Rates of 1 and 60 beside 1.5 and 75; shares of 4/5 and 1/5 beside 5/6 and 1/6.
        $rate = 0.5 * (4 / 5 + 5 / 6) * (1 - 1.5) + 0.5 * (1 / 5 + 1 / 6) * (60 - 75);
        $mix = 0.5 * (1 + 1.5) * (4 / 5 - 5 / 6) + 0.5 * (60 + 75) * (1 / 5 - 1 / 6);
        self::assertEqualsWithDelta($rate, $contributed->result->term(Term::Rate), 1e-9);
        self::assertEqualsWithDelta($mix, $contributed->result->term(Term::Mix), 1e-9);
        self::assertStringContainsString('between Birchen and Ashen in 2024', ContributionWords::span($contributed));
        $self = $study->withPart(new ContributionsPart(beside: 'a'));
        $this->expectExceptionMessage('Ashen is compared with itself');
        Contributed::of(Comparison::of($self, $data));
    }

    /** The working of each term, carried out again from what is written, comes to what it says. */
    public function testTheWorkingOfABarComesToItsContribution(): void
    {
        mt_srand(4);
        $seen = [];
        foreach (['midpoint', 'base'] as $weights) {
            for ($n = 0; $n < 20; $n++) {
                $cases = $people = [];
                foreach (range('a', 'f') as $i => $key) {
                    $cases[$key] = [mt_rand(20, 90), $i === 5 ? NAN : 50, $i === 5 ? NAN : mt_rand(20, 90)];
                    $people[$key] = [mt_rand(100, 900), 500, mt_rand(100, 900)];
                    $cases[$key] = $i === 4 ? [NAN, 50, 60] : $cases[$key];
                }
                $data = Make::data([
                    'cases' => ['cases', MeasureKind::Flow, '2020', $cases],
                    'people' => ['people', MeasureKind::Stock, '2020', $people],
                ]);
                $study = Make::study($data, StopCatalogue::make('per-denominator', ['measure' => 'people']));
                $study = $study->withPart(new ContributionsPart(weights: $weights));
                $contributed = Contributed::of(Comparison::of($study, $data));
                foreach ($contributed->members as $row) {
                    foreach (ContributionWorking::of($contributed, $row) as $line) {
                        $seen[explode(':', $line)[0]] = true;
                        [$left, $right] = explode(' = ', $line);
                        $sum = (string) preg_replace(['/^[^:]*: /', '/([\d.]+) %/'], ['', '($1 / 100)'], $left);
                        $value = eval('return ' . strtr($sum, ['−' => '-', '×' => '*', '÷' => '/']) . ';');
                        self::assertEqualsWithDelta((float) strtr($right, ['−' => '-']), $value, 2e-4, $line);
                    }
                }
            }
        }
        ksort($seen);
        $all = ['Came in', 'Left', 'Mix', 'Own rate', 'Rate and mix together', 'Together'];
        self::assertSame($all, array_keys($seen));
    }

    /** What lines add to growth comes to the growth of their sum, whoever comes, goes or is late. */
    public function testContributionsToGrowthAddUpToTheGrowthOfTheWhole(): void
    {
        mt_srand(77);
        $held = $blank = 0;
        for ($n = 0; $n < 200; $n++) {
            $series = [];
            for ($i = 0; $i < 6; $i++) {
                $series["m{$i}"] = array_map(static fn(): float => (float) mt_rand(5, 90), range(0, 7));
            }
            $series['m0'] = array_replace($series['m0'], [0 => NAN]);
            $series['m1'] = array_replace($series['m1'], [mt_rand(0, 7) => mt_rand(0, 2) === 0 ? 4.0 : NAN]);
            $series['m2'] = array_replace($series['m2'], array_fill(4, 4, NAN));
            $data = Make::data(['cases' => ['cases', MeasureKind::Flow, '2015', $series]]);
            foreach (['points', 'difference'] as $as) {
                $values = Make::run($data, 'contribution', ['on' => 'previous', 'as' => $as])->table()->series;
                for ($t = 1; $t < 8; $t++) {
                    $sum = static fn(int $at): float => array_sum(
                        array_filter(array_column($series, $at), static fn(float $v): bool => !is_nan($v)),
                    );
                    // Of m1 alone a value may be missing between others, or late.
                    [$before, $now] = array_slice($series['m1'], $t - 1, 2);
                    $isWhole = !is_nan($before + $now) || self::isOutside($series['m1'], $t);
                    $own = [];
                    foreach ($values as $key => $one) {
                        $own[$key] = $one->values[$t];
                    }
                    $there = array_filter($own, static fn(float $v): bool => !is_nan($v));
                    if ($isWhole) {
                        $change = $sum($t) - $sum($t - 1);
                        $expected = $as === 'points' ? (100 * $change) / $sum($t - 1) : $change;
                        self::assertEqualsWithDelta($expected, array_sum($there), 1e-9);
                        $held++;
                    } else {
                        self::assertSame([], $there);
                        $blank++;
                    }
                }
            }
        }
        self::assertGreaterThan(500, $held);
        self::assertGreaterThan(100, $blank);
    }

    /**
     * Whether a series has not begun at the position before, and begins at it.
     *
     * @param array<int, float> $values
     */
    private static function isOutside(array $values, int $at): bool
    {
        return is_nan($values[0]) && $at === 1;
    }

    /** What is nearly all is never written as all. */
    public function testASharesDigitsTellItFromAllOfIt(): void
    {
        $shares = [100.0, 99.6, 99.96, 100.3, 99.4, 0.5, 0.49, 0.0, -12.0];
        self::assertSame(
            ['100 %', '99.6 %', 'about 100 %', '100.3 %', '99 %', '1 %', 'under 1 %', '0 %', '−12 %'],
            array_map(ContributionWords::percent(...), $shares),
        );
    }

    private static function perPerson(): Comparison
    {
        $data = self::trade();

        return Comparison::of(
            Make::study($data, StopCatalogue::make('per-denominator', ['measure' => 'people', 'times' => 1])),
            $data,
        );
    }

    private static function trade(): DataInMemory
    {
        return Make::data([
            'cases' => [
                'cases',
                MeasureKind::Flow,
                '2020',
                [
                    'a' => [100, 80, 60],
                    'b' => [60, 60, 50],
                    'c' => [40, 40, 40],
                    'd' => [20, 20, 19],
                    'e' => [10, 10, 11],
                ],
            ],
            'people' => [
                'people',
                MeasureKind::Stock,
                '2020',
                [
                    'a' => [400, 400, 440],
                    'b' => [300, 300, 330],
                    'c' => [150, 150, 165],
                    'd' => [100, 100, 110],
                    'e' => [50, 50, 55],
                ],
            ],
        ]);
    }

    /** @return array<string, array{float, float}> amount and denominator of 2 to 30 members */
    private static function random(): array
    {
        $ends = [];
        for ($i = 0, $count = mt_rand(2, 30); $i < $count; $i++) {
            $weight = exp(mt_rand(-300, 900) / 100);
            $ends["m{$i}"] = [$weight * exp(mt_rand(-300, 600) / 100), $weight];
        }

        return $ends;
    }

    /**
     * @param array<string, array{float, float}> $end
     * @return array<string, float>
     */
    private static function amounts(array $end): array
    {
        return array_map(static fn(array $one): float => $one[0], $end);
    }

    /**
     * @param array<string, array{float, float}> $end
     * @return array<string, list<float>>
     */
    private static function chain(array $end): array
    {
        return array_map(static fn(array $one): array => [$one[0] / $one[1], $one[1] / 7.0, 7.0], $end);
    }

    private static function assertAddUp(Contributions $result): void
    {
        $sum = new Total();
        $largest = 0.0;
        foreach ($result->parts as $part) {
            $sum->add($part->change);
            $own = new Total();
            foreach ($part->terms as $term) {
                $own->add($term);
                $largest = max($largest, abs($term));
            }
            self::assertSame($part->change, $own->value());
        }
        // Where every term is larger than the change, none can hold its last bit.
        self::assertEqualsWithDelta($result->change(), $sum->value(), PHP_FLOAT_EPSILON * $largest);
        if ($largest <= abs($result->change())) {
            self::assertSame($result->change(), $sum->value());
        }
    }

    /**
     * @param array<string, array{float, float}> $first
     * @param array<string, array{float, float}> $last
     */
    private static function assertRatio(Contributions $result, array $first, array $last, bool $midpoint): void
    {
        $sum = static function (array $ends, int $at): float {
            $all = 0.0;
            foreach ($ends as $end) {
                $all += is_array($end) && is_float($end[$at]) && !is_nan($end[$at]) ? $end[$at] : 0.0;
            }

            return $all;
        };
        [$w0, $w1] = [$sum($first, 1), $sum($last, 1)];
        [$whole0, $whole1] = [$sum($first, 0) / $w0, $sum($last, 0) / $w1];
        self::assertEqualsWithDelta($whole1 - $whole0, $result->change(), 1e-12 * abs($whole1));
        $about = $midpoint ? 0.5 * ($whole0 + $whole1) : $whole0;
        foreach ($result->parts as $part) {
            // Without a member at one end, its weight there is none, and its rate is of no matter.
            [[$a0, $b0], [$a1, $b1]] = [$first[$part->key], $last[$part->key]];
            $put = is_nan($a1) ? 0.0 : ($a1 - $about * $b1) / $w1;
            $put -= is_nan($a0) ? 0.0 : ($a0 - $about * $b0) / $w0;
            self::assertEqualsWithDelta($put, $part->change, 1e-9 * (abs($whole0) + abs($whole1)));
            if (!is_nan($a0) && !is_nan($a1)) {
                $weight = $midpoint ? 0.5 * ($b0 / $w0 + $b1 / $w1) : $b0 / $w0;
                $rate = $weight * ($a1 / $b1 - $a0 / $b0);
                self::assertEqualsWithDelta($rate, $part->term(Term::Rate), 1e-9 * abs($whole1));
            }
        }
    }

    /**
     * The mean over all orders in which factors can change, each by what it then moves.
     *
     * @param array<string, float> $terms
     * @param list<float> $first
     * @param list<float> $last
     */
    private static function assertOrders(array $terms, array $first, array $last): void
    {
        $orders =
            count($first) === 2
                ? [[0, 1], [1, 0]]
                : [[0, 1, 2], [0, 2, 1], [1, 0, 2], [1, 2, 0], [2, 0, 1], [2, 1, 0]];
        $expected = array_fill(0, count($first), 0.0);
        foreach ($orders as $order) {
            $now = $first;
            foreach ($order as $at) {
                $before = array_product($now);
                $now[$at] = $last[$at];
                $expected[$at] += (array_product($now) - $before) / count($orders);
            }
        }
        $scale = abs(array_product($first)) + abs(array_product($last));
        foreach ([Term::First, Term::Second, Term::Third] as $at => $term) {
            self::assertEqualsWithDelta($expected[$at] ?? 0.0, $terms[$term->value] ?? 0.0, 1e-9 * $scale);
        }
    }
}
