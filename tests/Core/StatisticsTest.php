<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Peers\PeerFigures;
use DuskRail\Peers\RankPosition;
use DuskRail\Statistics\Ordering;
use DuskRail\Statistics\Quantile;
use DuskRail\Statistics\QuantileType;
use DuskRail\Statistics\RankCorrelation;
use DuskRail\Statistics\RollingExtreme;
use DuskRail\Statistics\RollingMean;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class StatisticsTest extends TestCase
{
    /** However the values are crowded, dealing them into bins comes to what sorting all of them does. */
    public function testOrderAndQuantilesOfManyValuesAreThoseOfAFullSort(): void
    {
        mt_srand(7);
        foreach (
            [
                static fn(): float => mt_rand() / 1e6,
                static fn(): float => (float) mt_rand(0, 40),
                static fn(): float => exp(mt_rand(0, 4000) / 100),
                static fn(): float => mt_rand(0, 9) === 0 ? NAN : -mt_rand() / 1e9,
                static fn(): float => 5.0,
            ] as $draw
        ) {
            $values = array_map(static fn(int $i): float => $draw(), range(1, 3000));
            $sorted = array_values(array_filter($values, static fn(float $v): bool => !is_nan($v)));
            sort($sorted);
            self::assertSame(
                $sorted,
                array_map(static fn(int $at): float => $values[$at], Ordering::ascending($values)),
            );
            foreach ([0.0, 0.1, 0.25, 0.5, 0.9, 1.0] as $share) {
                $place = (count($sorted) - 1) * $share;
                $below = (int) floor($place);
                $above = $sorted[min($below + 1, count($sorted) - 1)];
                self::assertEqualsWithDelta(
                    $sorted[$below] + ($place - $below) * ($above - $sorted[$below]),
                    Quantile::of($values, $share),
                    1e-9 * abs($above),
                );
            }
        }
    }

    /** The quick ways against the plain one: look at every window by itself. */
    public function testRollingStatisticsAreThoseOfEveryWindowByItself(): void
    {
        mt_srand(41);
        for ($round = 0; $round < 150; $round++) {
            $values = array_map(
                static fn(): float => mt_rand(0, 6) === 0 ? NAN : (float) mt_rand(-9, 9),
                array_fill(0, mt_rand(1, 50), 0),
            );
            $window = mt_rand(1, 15);
            $needed = mt_rand(1, $window);
            $found = [
                'mean' => RollingMean::trailing($values, $window, $needed),
                'median' => RollingExtreme::medians($values, $window, $needed),
                'lowest' => RollingExtreme::lowest($values, $window, $needed),
                'highest' => RollingExtreme::highest($values, $window, $needed),
            ];
            foreach (array_keys($values) as $i) {
                $present = array_values(
                    array_filter(
                        array_slice($values, max(0, $i - $window + 1), min($i + 1, $window)),
                        static fn(float $v): bool => !is_nan($v),
                    ),
                );
                sort($present);
                $count = count($present);
                if ($count < $needed || $present === []) {
                    foreach ($found as $statistic) {
                        self::assertNan($statistic[$i]);
                    }
                    continue;
                }
                self::assertEqualsWithDelta(array_sum($present) / $count, $found['mean'][$i], 1e-12);
                self::assertSame(
                    ($present[intdiv($count - 1, 2)] + $present[intdiv($count, 2)]) / 2,
                    $found['median'][$i],
                );
                self::assertSame([min($present), max($present)], [$found['lowest'][$i], $found['highest'][$i]]);
            }
        }
    }

    #[TestWith([5.0, false, 3, 50.0, 8.25])]
    #[TestWith([5.0, true, 3, 50.0, 2.75])]
    #[TestWith([9.0, false, 1, 87.5, 8.25])]
    #[TestWith([1.0, true, 1, 100.0, 2.75])]
    public function testAPlaceAmongPeersCountsFromTheBetterSideAndTiesShareIt(
        float $value,
        bool $lowerIsBetter,
        int $rank,
        float $percentile,
        float $quartile,
    ): void {
        $all = [2.0, 3.0, 8.0, 9.0, $value];
        sort($all);
        $position = RankPosition::among($value, $all, [5.5, $quartile], $lowerIsBetter);
        self::assertNotNull($position);
        self::assertSame(
            [$rank, 5, $percentile, 5.5, $quartile],
            [$position->rank, $position->of, $position->percentile, $position->median, $position->bestQuartile],
        );
        self::assertNull(RankPosition::among(1.0, [1.0], [NAN, NAN], $lowerIsBetter));
    }

    public function testFiguresOfPeersLeaveOutWhatIsMissing(): void
    {
        $series = ['a' => [1.0, NAN, NAN], 'b' => [3.0, 4.0, NAN], 'c' => [8.0, 6.0, NAN]];
        self::assertSame([3.0, 5.0], array_slice(PeerFigures::quantile($series, 0.5), 0, 2));
        self::assertSame([4.0, 5.0], array_slice(PeerFigures::mean($series), 0, 2));
        self::assertSame(
            [(1 + 6 + 8) / 4, (8 + 6) / 3],
            array_slice(
                PeerFigures::weightedMean($series, [
                    'a' => [1.0, 1.0, 1.0],
                    'b' => [2.0, 2.0, 2.0],
                    'c' => [1.0, 1.0, 1.0],
                ]),
                0,
                2,
            ),
        );
        self::assertNan(PeerFigures::mean($series)[2]);
        self::assertNan(PeerFigures::weightedMean($series, ['a' => [NAN, NAN, NAN]])[0]);
        self::assertSame([], PeerFigures::quantile([], 0.5));
    }

    /** Of many series the values near the last result are sorted alone; each result is what all values give. */
    public function testQuantilesOfManySeriesAreThoseOfAllTheirValues(): void
    {
        mt_srand(21);
        foreach ([49, 130, 700] as $count) {
            $series = array_fill(0, $count, []);
            for ($i = 0; $i < 60; $i++) {
                // Calm, with ties, a jump of all, a few far off, most missing, none there.
                $level = $i < 20 ? 0.0 : 1e6;
                foreach (array_keys($series) as $n) {
                    $series[$n][] = match (true) {
                        $i === 40, $i > 50 && mt_rand(0, 9) > 0 => NAN,
                        $i % 7 === 0 => $level + mt_rand(0, 3),
                        mt_rand(0, 50) === 0 => -1e9,
                        default => $level + mt_rand() / 1e6,
                    };
                }
            }
            foreach ([0.0, 0.1, 0.25, 0.5, 0.9, 1.0] as $share) {
                foreach (QuantileType::cases() as $type) {
                    $expected = PeerFigures::each(
                        $series,
                        static fn(array $values): float => Quantile::of($values, $share, $type),
                    );
                    $found = PeerFigures::quantile($series, $share, $type);
                    self::assertSame(array_map(strval(...), $expected), array_map(strval(...), $found));
                }
            }
        }
    }

    public function testRanksThatGoTogetherAreCorrelatedAsInR(): void
    {
        // R 4: cor(c(1, 2, 2, 4, 5, 9), c(3, 1, 4, 4, 7, 8), method = "spearman")
        $r = RankCorrelation::of([1.0, 2.0, 2.0, 4.0, 5.0, 9.0], [3.0, 1.0, 4.0, 4.0, 7.0, 8.0]);
        self::assertEqualsWithDelta(0.867647058823529, $r, 1e-12);
        self::assertSame(-1.0, RankCorrelation::of([1.0, 2.0, 30.0], [9.0, 5.0, 4.9]));
        self::assertNan(RankCorrelation::of([1.0, 2.0, 3.0], [4.0, 4.0, 4.0]));
        self::assertNan(RankCorrelation::of([1.0, 2.0], [1.0, 2.0]));
    }

    /** More than 500 values whose span is larger than any number are put in order as a whole. */
    public function testAQuantileOfValuesThatSpanTooMuchIsStillThatOfTheirOrder(): void
    {
        $values = array_map(static fn(int $i): float => sin($i) * 1.7e308, range(1, 601));
        $ordered = $values;
        sort($ordered);
        self::assertSame($ordered[300], Quantile::of($values, 0.5));
        self::assertSame($ordered[60], Quantile::of($values, 0.1));
    }
}
