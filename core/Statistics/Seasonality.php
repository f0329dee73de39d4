<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Whether values swing with the seasons: the share of what is left of the trend that the means of the seasons explain
 * (strength of seasonality; Wang, Smith and Hyndman 2006, “Characteristic-based clustering for time series data”), the
 * trend by a centred mean over a year.
 */
final class Seasonality
{
    /** Strength from which on values are called seasonal; the threshold of tests for seasonal differences (common practice). */
    private const CLEAR = 0.64;

    /** Values of each season without which chance alone explains too much. */
    private const FEWEST = 2;

    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year
     * @return bool|null null where there are too few values to tell
     */
    public static function isClear(array $values, int $season): ?bool
    {
        if ($season < 2) {
            return false;
        }
        $rest = self::withoutTrend($values, $season);
        $seasons = [];
        foreach ($rest as $i => $value) {
            $seasons[$i % $season][] = $value;
        }
        if (count($seasons) < $season || min(array_map(count(...), $seasons)) < self::FEWEST) {
            return null;
        }
        $all = array_sum($rest) / count($rest);
        $total = $within = 0.0;
        foreach ($seasons as $own) {
            $mean = array_sum($own) / count($own);
            foreach ($own as $value) {
                $total += ($value - $all) ** 2;
                $within += ($value - $mean) ** 2;
            }
        }
        // As many values as there are years less one tell of each season; chance alone would leave less within.
        $free = max(1, count($rest) - $season) / max(1, count($rest) - 1);

        return $total > 0.0 && 1.0 - $within / $free / $total > self::CLEAR;
    }

    /**
     * @param list<float> $values
     * @return array<int, float> by position, of those with a whole year about them
     */
    private static function withoutTrend(array $values, int $season): array
    {
        $rest = [];
        $half = intdiv($season, 2);
        for ($i = $half, $last = count($values) - 1 - $half; $i <= $last; $i++) {
            $year = array_slice($values, $i - $half, 2 * $half + 1);
            if ($season % 2 === 0) {
                // The two ends are the same season, and count half each.
                $mean = (array_sum($year) - ($year[0] + $year[2 * $half]) / 2) / $season;
            } else {
                $mean = array_sum($year) / $season;
            }
            if (!is_nan($mean)) {
                $rest[$i] = $values[$i] - $mean;
            }
        }

        return $rest;
    }
}
