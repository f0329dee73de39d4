<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\MeasureKind;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Proposals\Proposal;
use DuskRail\Proposals\Proposals;
use DuskRail\Rail\StopCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is proposed next on tables that are made so that a practitioner would name one thing first. */
final class ProposalsTest extends TestCase
{
    private const MONTHS = 60;

    /**
     * @param list<array{string, string}> $expected label and part of the reason, in order; nothing where none fits
     */
    #[DataProvider('tables')]
    public function testTheFirstIsWhatAPractitionerWouldName(DataInMemory $data, string $measure, array $expected): void
    {
        $proposals = Proposals::of(Comparison::of(Study::first('Study', $measure, $data), $data));
        $said = array_map(static fn(Proposal $p): string => "{$p->label}: {$p->reason}", $proposals);
        self::assertSameSize($expected, array_slice($said, 0, max(1, count($expected))), implode(' | ', $said));
        foreach ($expected as $n => [$label, $reason]) {
            self::assertSame($label, $proposals[$n]->label, implode(' | ', $said));
            self::assertStringContainsString($reason, $proposals[$n]->reason);
        }
    }

    /** @return iterable<string, array{DataInMemory, string, list<array{string, string}>}> */
    public static function tables(): iterable
    {
        $sizes = [1, 2, 4, 8, 16, 40];
        $flow = static fn(callable $value): array => ['Ml', MeasureKind::Flow, '2018-01', self::lines($sizes, $value)];
        $wave = static fn(int $i): float => 1.0 + 0.15 * sin((2.0 * M_PI * $i) / 12);
        $people = [
            'people',
            MeasureKind::Stock,
            '2018',
            self::lines($sizes, static fn(float $size, int $i): float => 1000.0 * $size + $i, 5),
        ];
        yield 'sizes, seasons, and a count of people' => [
            Make::data([
                'flow' => $flow(static fn(float $size, int $i): float => 50 * $size * $wave($i)),
                'people' => $people,
            ]),
            'flow',
            [
                ['÷ people', '6 lines differ 40-fold in size, mostly as their people do'],
                ['12-month mean', 'it swings by 3'],
                ['2018 = 100', 'levels differ 40-fold'],
            ],
        ];
        yield 'sizes, and a count that few lines have' => [
            Make::data([
                'flow' => $flow(static fn(float $size, int $i): float => 50 * $size),
                'people' => [...array_slice($people, 0, 3), array_slice($people[3], 0, 3)],
            ]),
            'flow',
            [['2018 = 100', 'levels differ 40-fold']],
        ];
        $upside = self::lines([40, 16, 8, 4, 2, 1], static fn(float $size, int $i): float => 1000.0 * $size + $i, 5);
        yield 'sizes that another count does not follow' => [
            Make::data([
                'flow' => $flow(static fn(float $size, int $i): float => 50 * $size * $wave($i)),
                'people' => ['people', MeasureKind::Stock, '2018', $upside],
            ]),
            'flow',
            [['12-month mean', 'within each year'], ['2018 = 100', 'levels differ']],
        ];
        $money = self::lines([3, 3, 3], static fn(float $size, int $i): float => 100.0 * $size + $i, 11);
        foreach (
            [
                'rose' => [3.0, [['prices of 2024', 'prices rose by 30 % from 2014 to 2024']]],
                'fell' => [-2.0, [['prices of 2024', 'prices fell by 20 % from 2014 to 2024']]],
                'were stable' => [0.0, []],
            ] as $did => [$each, $expected]
        ) {
            $index = array_map(static fn(int $i): float => 100.0 + $each * $i, range(0, 10));
            yield "money over ten years in which prices {$did}" => [
                Make::data([
                    'cost' => ['crowns', MeasureKind::Flow, '2014', $money],
                    'price-index' => ['2014 = 100', MeasureKind::Rate, '2014', ['all' => $index]],
                ]),
                'cost',
                $expected,
            ];
        }
        yield 'a price index' => [
            Make::data([
                'consumer-price-index' => [
                    '2014 = 100',
                    MeasureKind::Rate,
                    '2014-01',
                    ['all' => array_map(static fn(int $i): float => 100.0 + $i, range(0, 47))],
                ],
            ]),
            'consumer-price-index',
            [['change on a year earlier', 'rate of inflation']],
        ];
        $days = static fn(int $i): int => (int) date(
            't',
            (int) mktime(0, 0, 0, 1 + ($i % 12), 1, 2018 + intdiv($i, 12)),
        );
        $alike = self::lines([9, 10], static fn(float $size, int $i): float => $size * $days($i));
        yield 'months as long as they are' => [
            Make::data(['flow' => ['Ml', MeasureKind::Flow, '2018-01', $alike]]),
            'flow',
            [['per day', '28 to 31 days']],
        ];
        $weeks = self::lines([5], static fn(float $s, int $i): float => $i % 7 < 5 ? 100.0 : 60.0, 900);
        yield 'days over years with weekends' => [
            Make::data(['calls' => ['calls', MeasureKind::Flow, '2022-01-03', $weeks]]),
            'calls',
            [['7-day mean', 'within each week'], ['by the month', '900 days']],
        ];
        $rates = self::lines([10, 20, 50], static fn(float $size, int $i): float => $size * (1.0 + 0.02 * $i), 12);
        yield 'rates of different levels by year' => [
            Make::data(['rate' => ['cases per 1,000 people', MeasureKind::Rate, '2012', $rates]]),
            'rate',
            [['2012 = 100', 'levels differ 5.0-fold, so changes of about 22 % are hard to compare']],
        ];
        $shares = self::lines([40, 45, 50], static fn(float $size, int $i): float => $size + $i, 6);
        yield 'percentages that are near each other' => [
            Make::data(['satisfied' => ['%', MeasureKind::Rate, '2018', $shares]]),
            'satisfied',
            [],
        ];
        $crossing = ['home' => range(70, 79)];
        foreach ([71, 72, 73, 74, 75] as $n => $level) {
            $crossing["e{$n}"] = array_fill(0, 10, $level);
        }
        yield 'ranks that changed, of a line that begins later' => [
            Make::data([
                'satisfied' => [
                    '%',
                    MeasureKind::Rate,
                    '2015',
                    [...$crossing, 'home' => [null, ...array_slice($crossing['home'], 1)]],
                ],
            ]),
            'satisfied',
            [['rank, highest first', 'Home moved from rank 5 to 1 of 6']],
        ];
        yield 'ranks that changed' => [
            Make::data(['satisfied' => ['%', MeasureKind::Rate, '2015', $crossing]]),
            'satisfied',
            [['rank, highest first', 'Home moved from rank 6 to 1 of 6']],
        ];
        yield 'levels below zero' => [
            Make::data([
                'balance' => [
                    'crowns',
                    MeasureKind::Stock,
                    '2018',
                    ['a' => [-5, 3, -8, 2, 4], 'b' => [50, -60, 70, 80, -9]],
                ],
            ]),
            'balance',
            [],
        ];
    }

    /** What is proposed is done, and is not proposed again; in the end nothing is left to do. */
    public function testEachIsPossibleDoesWhatItShowsAndIsNotProposedAgain(): void
    {
        [$data] = iterator_to_array(self::tables())['sizes, seasons, and a count of people'];
        $study = Study::first('Study', 'flow', $data);
        $done = [];
        for ($step = 0; $step < 8; $step++) {
            $comparison = Comparison::of($study, $data);
            $proposals = Proposals::of($comparison);
            foreach ($proposals as $proposal) {
                self::assertNull($proposal->stop->refusal($comparison->run->table(), $comparison->data));
                // As it comes back from a form.
                $settings = array_map(
                    static fn(mixed $value): string => is_scalar($value) ? (string) $value : '',
                    $proposal->settings(),
                );
                self::assertEquals($proposal->stop, StopCatalogue::make($proposal->stop::type(), $settings));
            }
            if ($proposals === []) {
                break;
            }
            $type = $proposals[0]->stop::type();
            self::assertNotContains($type, $done);
            $done[] = $type;
            $study = $study->withRail($study->rail->with($proposals[0]->stop));
            $after = Comparison::of($study, $data);
            self::assertSame(
                var_export($after->focus()[0]->values ?? $after->lines[0]->values, true),
                var_export($proposals[0]->values, true),
            );
        }
        self::assertSame(['per-denominator', 'rolling'], $done);
        self::assertSame([], Proposals::of(Comparison::of($study, $data)));
    }

    /**
     * @param list<int> $sizes
     * @return array<string, list<float>>
     */
    private static function lines(array $sizes, callable $value, int $count = self::MONTHS): array
    {
        $lines = [];
        foreach ($sizes as $n => $size) {
            $key = $n === 0 ? 'home' : "e{$n}";
            $lines[$key] = array_map(
                static fn(int $i): float => is_numeric($v = $value((float) $size, $i)) ? (float) $v : NAN,
                range(0, $count - 1),
            );
        }

        return $lines;
    }
}
