<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** Whether years are good or bad as a whole, so that there are no more values than years: by what a fit leaves of them. */
final class GoodYears
{
    /**
     * From how many times their variance the means of years are no chance, by degrees of freedom from 2: F at 80 % of
     * few, where turns take much of it away, and at 95 % of many.
     */
    private const YEARS = [1.61, 1.55, 1.5, 1.5, 1.6, 1.65, 1.7];

    /** Of so many years the differences from one to the next are asked, which turns that are not found yet hardly move. */
    private const MANY_YEARS = 13;

    /**
     * How many times as large the variance of years is as what is left of single values would make it, where that is
     * more than chance brings in; 1 where it is not. Where a fit leaves too few years to tell, it is that of the fit
     * without turns.
     *
     * @param BrokenLine $plain the fit without turns
     * @param list<float> $x places of the values
     * @param int $season values in a year
     */
    public static function times(BrokenLine $fit, BrokenLine $plain, array $x, int $season): float
    {
        $sums = $counts = [];
        foreach ($fit->rest as $i => $value) {
            $year = intdiv((int) $x[$i], $season);
            $sums[$year] = ($sums[$year] ?? 0.0) + $value;
            $counts[$year] = ($counts[$year] ?? 0) + 1;
        }
        $years = count($sums);
        $freedom = $years - (count($fit->rest) - $fit->freedom());
        $variance = $fit->squares() / max(1, $fit->freedom());
        if ($freedom < 2 && $plain !== $fit) {
            return self::times($plain, $plain, $x, $season);
        }
        if ($freedom < 2 || $variance <= 0.0) {
            return 1.0;
        }
        if ($years >= self::MANY_YEARS) {
            return self::between($sums, $counts, $variance);
        }
        $between = 0.0;
        foreach ($sums as $year => $sum) {
            $between += ($sum * $sum) / $counts[$year];
        }
        $times = $between / $freedom / $variance;

        return $times > self::YEARS[min($freedom, count(self::YEARS) + 1) - 2] ? $times : 1.0;
    }

    /**
     * The same by differences from one year to the next (von Neumann, 1941) without the two largest, which may be those
     * of a turn; their mean and their 95 % bound are by simulation.
     *
     * @param array<int, float> $sums by year
     * @param array<int, int> $counts likewise
     */
    private static function between(array $sums, array $counts, float $variance): float
    {
        $differences = [];
        foreach ($sums as $year => $sum) {
            if (isset($sums[$year - 1])) {
                $apart = $sum / $counts[$year] - $sums[$year - 1] / $counts[$year - 1];
                $differences[] = ($apart * $apart) / (1.0 / $counts[$year] + 1.0 / $counts[$year - 1]);
            }
        }
        sort($differences);
        $kept = array_slice($differences, 0, -2);
        $root = sqrt(count($sums));
        $times = array_sum($kept) / max(1, count($kept)) / (1.0 - 1.55 / $root) / $variance;

        return $times > 0.62 + 5.4 / $root ? $times : 1.0;
    }
}
