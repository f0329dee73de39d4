<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Where a series is best cut into parts that each have a straight line of their own: the least sum of squares over all
 * ways to cut it, for each number of cuts, by dynamic programming (Bai and Perron, 2003, “Computation and Analysis of
 * Multiple Structural Change Models”).
 */
final readonly class Segments
{
    /**
     * @param list<float> $squares the least sum of squares, by number of cuts from none
     * @param list<list<int>> $starts where the parts after the first begin, likewise
     */
    private function __construct(public array $squares, public array $starts) {}

    /**
     * @param list<float> $x
     * @param list<float> $y of the same length, without missing values
     * @param int $most cuts
     * @param int $shortest values in a part
     * @param int $step cuts are looked for at every so many values, counted from the first
     */
    public static function of(array $x, array $y, int $most, int $shortest, int $step = 1): self
    {
        $edges = self::edges(count($y), $shortest, $step);
        $last = count($edges) - 1;
        // Squares of the parts between every two edges, from sums up to each.
        $sums = self::sums($x, $y, $edges);
        $cost = [];
        for ($i = 0; $i < $last; $i++) {
            for ($j = $i + 1; $j <= $last; $j++) {
                $cost[$i][$j] = $edges[$j] - $edges[$i] < $shortest ? INF : self::between($sums[$i], $sums[$j]);
            }
        }
        $best = [$cost[0]];
        $from = [];
        for ($m = 1; $m <= $most; $m++) {
            $best[$m] = $from[$m] = [];
            for ($j = 1; $j <= $last; $j++) {
                $least = INF;
                $where = 0;
                for ($i = 1; $i < $j; $i++) {
                    $sum = $best[$m - 1][$i] + $cost[$i][$j];
                    if ($sum < $least) {
                        [$least, $where] = [$sum, $i];
                    }
                }
                [$best[$m][$j], $from[$m][$j]] = [$least, $where];
            }
        }
        $squares = $starts = [];
        for ($m = 0; $m <= $most && ($best[$m][$last] ?? INF) < INF; $m++) {
            $squares[] = $best[$m][$last];
            $own = [];
            for ($j = $last, $k = $m; $k > 0; $k--) {
                $j = $from[$k][$j];
                array_unshift($own, $edges[$j]);
            }
            $starts[] = $own;
        }

        return new self($squares, $starts);
    }

    /** @return list<int> numbers of the values that a part may begin with, and one more than the last */
    private static function edges(int $count, int $shortest, int $step): array
    {
        $edges = [0];
        for ($i = $shortest; $i <= $count - $shortest; $i += $step) {
            $edges[] = $i;
        }
        $edges[] = $count;

        return $edges;
    }

    /**
     * @param list<float> $x
     * @param list<float> $y
     * @param list<int> $edges
     * @return list<array{float, float, float, float, float, float}> number, sums of x, y, xx, xy, yy before each edge
     */
    private static function sums(array $x, array $y, array $edges): array
    {
        // About the middle, so that little is lost in differences.
        $middleX = array_sum($x) / count($x);
        $middleY = array_sum($y) / count($y);
        $n = $sx = $sy = $xx = $xy = $yy = 0.0;
        $sums = [];
        $at = 0;
        foreach ($edges as $edge) {
            for (; $at < $edge; $at++) {
                $a = $x[$at] - $middleX;
                $b = $y[$at] - $middleY;
                $n++;
                $sx += $a;
                $sy += $b;
                $xx += $a * $a;
                $xy += $a * $b;
                $yy += $b * $b;
            }
            $sums[] = [$n, $sx, $sy, $xx, $xy, $yy];
        }

        return $sums;
    }

    /**
     * Squares about the straight line through the values between two edges.
     *
     * @param array{float, float, float, float, float, float} $to
     * @param array{float, float, float, float, float, float} $from
     */
    private static function between(array $from, array $to): float
    {
        $n = $to[0] - $from[0];
        $sx = $to[1] - $from[1];
        $sy = $to[2] - $from[2];
        $xx = $to[3] - $from[3] - ($sx * $sx) / $n;
        $xy = $to[4] - $from[4] - ($sx * $sy) / $n;
        $yy = $to[5] - $from[5] - ($sy * $sy) / $n;

        return max(0.0, $xx > 0.0 ? $yy - ($xy * $xy) / $xx : $yy);
    }
}
