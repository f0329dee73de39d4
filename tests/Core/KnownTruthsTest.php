<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Edit;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\SparkTable;
use DuskRail\Proposals\Proposals;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Refusal;
use DuskRail\Signals\Notice;
use DuskRail\Signals\Signals;
use DuskRail\Views\Views;
use DuskRail\Words\LiveNumber;
use DuskRail\Words\Sentences\Claim;
use DuskRail\Words\Sentences\Sentences;
use PHPUnit\Framework\TestCase;

/** Data whose truth is known by construction, and what is said of them. */
final class KnownTruthsTest extends TestCase
{
    public function testAStepIsHeldAgainstThoseWhoHaveValuesBeforeAndAfter(): void
    {
        /** @return list<float> */
        $step = static fn(int $at): array => array_map(
            static fn(int $i): float => 100 + $i % 3 + ($i < $at ? 0 : 60),
            range(0, 23),
        );
        $flat = array_map(static fn(int $i): float => 50 + $i % 2, range(0, 23));
        self::assertStringContainsString('in 2013. Did', self::step(['home' => $step(12)]));
        self::assertSame('', self::step(['home' => $step(12), 'a' => $step(12)]));
        self::assertStringContainsString(
            'in 2013, and the other line does not. Did',
            self::step(['home' => $step(12), 'a' => $flat]),
        );
        self::assertStringContainsString(
            'in 2013, as 1 of 3 others do. Did',
            self::step(['home' => $step(12), 'a' => $flat, 'b' => $flat, 'c' => $step(12)]),
        );
        // A gap before the step hides nothing.
        $gap = array_values(array_replace($step(12), array_fill(8, 4, null)));
        self::assertSame('', self::step(['home' => $gap, 'a' => $gap, 'b' => $gap]));
    }

    /** All have risen by 0.3: rounding parts nobody. */
    public function testEqualChangesShareTheirRank(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2023', [
            'home' => [1.2, 1.5], 'ash' => [2.2, 2.5], 'birch' => [0.1, 0.4], 'elm' => [4.1, 4.4], 'fir' => [3.0, 3.1],
        ]]]);
        $study = Make::study($data, StopCatalogue::make('change', ['as' => 'difference']));
        $comparison = Comparison::of($study, $data);
        $ranks = array_map(
            static fn($line): int => $comparison->peers->rankOf($line, 1)->rank ?? 0,
            $comparison->lines,
        );
        self::assertSame([1, 1, 1, 1, 5], $ranks);
        $rail = $study->rail->with(StopCatalogue::make('rank', ['first' => 'highest']));
        $ranked = Comparison::of($study->withRail($rail), $data)->lines;
        self::assertSame([1.0, 1.0, 1.0, 1.0, 5.0], array_map(static fn($line): float => $line->values[1], $ranked));
    }

    public function testAMeanWithoutWeightsIsCalledAMean(): void
    {
        $series = ['home' => [1.0], 'a' => [1.2], 'b' => [2.3], 'c' => [6.4]];
        $part = PeersPart::from(['line' => 'together']);
        $rates = Make::data(['rate' => ['%', MeasureKind::Rate, '2023', $series]]);
        $plain = Comparison::of(Make::study($rates)->withPart($part), $rates);
        self::assertStringContainsString('; the mean of its 3 peers is 3.30', Make::wording($plain, '')->headline);
        self::assertSame('Peer mean', $plain->peerLineName());
        $amounts = Make::data([
            'cost' => ['EUR', MeasureKind::Flow, '2023', ['home' => [1], 'a' => [10], 'b' => [90]]],
            'people' => ['people', MeasureKind::Stock, '2023', ['home' => [1], 'a' => [1], 'b' => [99]]],
        ]);
        $study = Make::study($amounts, StopCatalogue::make('per-denominator', ['measure' => 'people']));
        $headline = Make::wording(Comparison::of($study->withPart($part), $amounts), '')->headline;
        self::assertStringContainsString('; the weighted mean of its 2 peers is 1', $headline);
    }

    /** A year that nobody has is a gap of what came about in it, and none of a level that is counted now and then. */
    public function testAYearThatNobodyHasIsAGapOfAFlow(): void
    {
        $values = array_map(static fn(int $i): ?int => $i === 5 ? null : 150 + 10 * $i, range(0, 9));
        foreach ([[MeasureKind::Flow, null], [MeasureKind::Stock, (190 + 210 + 220) / 3]] as [$kind, $expected]) {
            $data = Make::data(['flow' => ['Ml', $kind, '2015', ['home' => $values, 'a' => $values]]]);
            $mean = Make::values(Make::run($data, 'rolling', ['window' => 3]), 'home', 9);
            self::assertSame($expected === null ? null : round($expected, 9), $mean[7]);
        }
        $flow = Make::data(['flow' => ['Ml', MeasureKind::Flow, '2015', ['home' => $values]]]);
        $total = Make::values(Make::run($flow, 'running-total', ['from' => 'start']), 'home');
        self::assertSame([850.0, null, null], [$total[4], $total[5], $total[6]]);
    }

    /** Orders on some days of three months: months are their sums, and a month without an order is zero. */
    public function testOrdersOnAnyDayAreSummedByTheMonth(): void
    {
        $days = array_fill(0, 120, null);
        foreach ([3 => 10, 9 => 20, 22 => 5, 64 => 7, 80 => 8, 91 => 100, 118 => 1] as $at => $value) {
            $days[$at] = $value;
        }
        $data = Make::data(['sales' => ['EUR', MeasureKind::Flow, '2023-01-01', ['home' => array_values($days)]]]);
        $run = Make::run($data, 'period', ['to' => 'month']);
        self::assertSame([35.0, 0.0, 15.0, 101.0], Make::values($run, 'home'));
        self::assertSame('EUR per month', $run->table()->unit->text());
        // Readings on the same days are levels: the last of each month.
        $levels = Make::data(['level' => ['m', MeasureKind::Stock, '2023-01-01', ['home' => array_values($days)]]]);
        self::assertSame([5.0, null, 8.0, 1.0], Make::values(Make::run($levels, 'period', ['to' => 'month']), 'home'));
    }

    /** A driver that is not in yet is not known, as in the year in which trips doubled for those who told. */
    public function testAnAmountThatHasNotComeInDrivesNothing(): void
    {
        $trips = $cost = [];
        foreach (range(1, 40) as $n) {
            $key = $n === 1 ? 'home' : "p{$n}";
            $trips[$key] = [10 * $n, 11 * $n + $n % 3, $n % 2 === 0 ? null : 22 * $n];
            $cost[$key] = [20 * $n, 2 * (11 * $n + $n % 3), 44 * $n];
        }
        $data = Make::data([
            'cost' => ['EUR', MeasureKind::Flow, '2020', $cost],
            'trips' => ['trips', MeasureKind::Flow, '2020', $trips],
        ]);
        $run = Make::run($data, 'allow-for', ['driver' => 'trips', 'scale' => 'plain']);
        foreach (array_keys($trips) as $n => $key) {
            self::assertSame([0.0, $n % 2 === 1 ? null : 0.0], array_slice(Make::values($run, $key, 5), 1));
        }
    }

    public function testNothingIsSaidOfTheCourseOfARunningTotal(): void
    {
        $values = array_map(static fn(int $i): int => 5 + $i % 4, range(0, 30));
        $data = Make::data(['sold' => ['EUR', MeasureKind::Flow, '2019-01', ['home' => $values, 'a' => $values]]]);
        foreach (['year', 'start'] as $from) {
            $study = Make::study($data, StopCatalogue::make('running-total', ['from' => $from]));
            $comparison = Comparison::of($study, $data);
            self::assertDoesNotMatchRegularExpression(
                '/risen|in a row|highest since|year before/',
                implode('; ', self::claims($comparison)),
            );
        }
    }

    public function testTheAxisIsSaidToStartWhereItWasSet(): void
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020', ['home' => [99, 120, 150]]]]);
        $study = Make::study($data);
        self::assertContains('The axis does not start at zero; it starts near 99.', self::said($study, $data));
        $set = $study->withPart(AxisPart::from(['low' => '90', 'view' => 'lines']));
        self::assertContains('The axis does not start at zero; it starts at 90.', self::said($set, $data));
        $zero = $study->withPart(AxisPart::from(['low' => '0', 'view' => 'lines']));
        self::assertStringNotContainsString('does not start at zero', implode(self::said($zero, $data)));
    }

    /** Costs of 10 at home and 20, 30, 40 and 90 elsewhere: the line is the peers' median, as the headline has it. */
    public function testTheLinesThatCutAScatterAreOfThePeers(): void
    {
        $people = ['home' => [9], 'a' => [1], 'b' => [2], 'c' => [4], 'd' => [5]];
        $cost = ['home' => [10], 'a' => [20], 'b' => [30], 'c' => [40], 'd' => [90]];
        $data = Make::data([
            'cost' => ['EUR', MeasureKind::Flow, '2023', $cost],
            'people' => ['people', MeasureKind::Stock, '2023', $people],
        ]);
        $study = Make::study($data)->withView('scatter')->withPart(ScatterPart::from(['measure' => 'people']));
        self::assertSame([3.0, 35.0], Scattered::of(Comparison::of($study, $data))->cut);
    }

    /** What half of the lines have reached is spoken of in every view, with groups and without. */
    public function testGroupsDoNotMoveTheReferencePeriod(): void
    {
        $series = ['d' => [1, 2, 3, 4], 'e' => [1, 2, 3, 5]];
        $series = array_fill_keys(['home', 'a', 'b', 'c'], [1, 2, 3, null]) + $series;
        $plain = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2020', $series]]);
        $entities = [];
        foreach ($plain->entities() as $key => $entity) {
            $group = ['d' => 'Up', 'e' => 'Down'][$key] ?? '';
            $entities[] = new Entity($entity->key, $entity->name, $group, $entity->home);
        }
        $data = new DataInMemory(array_values($plain->measures()), $entities, ['flow' => $plain->table('flow')]);
        $study = Study::first('Study', 'flow', $data);
        $comparison = Comparison::of($study, $data);
        $table = SparkTable::of($study->withView('sparks'), $comparison);
        self::assertNotSame([], $table->totals);
        self::assertSame([2, 2], [$comparison->reference, $table->comparison->reference]);
    }

    /** All zero, all missing, one value, nobody: through every two stops there is an answer or a refusal. */
    public function testEveryTwoStopsAnswerOrRefuseOnTheBarestOfTables(): void
    {
        $answers = $refusals = 0;
        foreach (self::bare() as $name => [$series, $people]) {
            $data = Make::data([
                'flow' => ['Ml', MeasureKind::Flow, '2020', $series],
                'people' => ['people', MeasureKind::Stock, '2020', $people],
            ]);
            foreach ([false, true] as $isEmpty) {
                $start = Make::study($data);
                foreach ($isEmpty ? array_slice(array_keys($series), 0, -1) : [] as $key) {
                    $start = $start->withState((string) $key, LineState::Off);
                }
                foreach (array_keys(StopCatalogue::all()) as $first) {
                    foreach (array_keys(StopCatalogue::all()) as $second) {
                        try {
                            $study = $start;
                            foreach ([$first, $second] as $stop) {
                                $study = Edit::of(Changes::read('add-stop', ['stop' => $stop]), $study, $data)->study;
                            }
                            self::show(Comparison::of($study, $data));
                            // And with nobody left, as where all of a set have ended.
                            foreach (array_keys($series) as $key) {
                                $study = $study->withState((string) $key, LineState::Off);
                            }
                            self::show(Comparison::of($study, $data));
                            $answers++;
                        } catch (Refusal $problem) {
                            self::assertGreaterThan(15, strlen($problem->getMessage()), "{$name}: {$first}, {$second}");
                            $refusals++;
                        }
                    }
                }
            }
        }
        self::assertGreaterThan(500, min($answers, $refusals));
    }

    /** @return iterable<string, array{array<string, list<int|null>>, array<string, list<int|null>>}> */
    private static function bare(): iterable
    {
        $people = ['home' => [5, 0, null, 7], 'a' => [0, 0, 0, 0], 'b' => [1, 2, 3, 4]];
        yield 'all zero' => [array_fill_keys(['home', 'a', 'b'], [0, 0, 0, 0]), $people];
        yield 'all missing' => [array_fill_keys(['home', 'a'], [null, null, null, null]), $people];
        yield 'one value' => [['home' => [null, 3, null, null]], $people];
        yield 'one period' => [['home' => [3], 'a' => [3], 'b' => [-1]], ['home' => [0], 'a' => [null], 'b' => [2]]];
        $gaps = ['home' => [-1, 0, null, 2], 'a' => [null, null, 4, 4], 'b' => [1, 1, 1, 1]];
        yield 'below zero and gaps' => [$gaps, $people];
    }

    private static function show(Comparison $comparison): void
    {
        foreach (['lines', 'overlay', 'ranks', 'stack', 'sparks', 'figures'] as $view) {
            try {
                $seen = Comparison::of($comparison->study->withView($view), $comparison->data->source());
                Make::wording($seen, '');
                Make::picture($seen);
                Views::of($seen->study)->values($seen);
                Signals::of($seen);
            } catch (Refusal) {
                continue;
            }
        }
        Sentences::of($comparison);
        Proposals::of($comparison);
    }

    /** @return list<string> */
    private static function claims(Comparison $comparison): array
    {
        return array_map(
            static fn(Claim $claim): string => LiveNumber::filled($claim->sentence, $comparison),
            Sentences::of($comparison),
        );
    }

    /**
     * What is said of a step.
     *
     * @param array<string, list<float|null>> $series from 2001 on
     */
    private static function step(array $series): string
    {
        $data = Make::data(['flow' => ['Ml', MeasureKind::Stock, '2001', $series]]);
        $said = self::said(Make::study($data), $data);

        return implode(' ', array_filter($said, static fn(string $s): bool => str_contains($s, 'steps up')));
    }

    /** @return list<string> */
    private static function said(Study $study, DataInMemory $data): array
    {
        $notices = Signals::of(Comparison::of($study, $data));

        return array_map(static fn(Notice $notice): string => $notice->sentence, $notices);
    }
}
