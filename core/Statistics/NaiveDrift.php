<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * A series carried on as it was a year before, and by the mean change from year to year more (the seasonal random walk
 * with drift of Hyndman and Athanasopoulos, “Forecasting: Principles and Practice”, 2021, section 5.2); without seasons
 * as it was a period before.
 */
final class NaiveDrift
{
    private const FEWEST = 3;

    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     * @param int $count how many periods it is carried on
     * @return Projection|null null where a value of the last year is missing, or there are fewer than three changes
     */
    public static function of(array $values, int $season, int $count): ?Projection
    {
        $there = array_keys(array_filter($values, static fn(float $v): bool => !is_nan($v)));
        $last = $there === [] ? -1 : $there[count($there) - 1];
        $changes = [];
        foreach ($values as $i => $value) {
            $change = $value - ($values[$i - $season] ?? NAN);
            if (!is_nan($change)) {
                $changes[] = $change;
            }
        }
        $year = $last + 1 < $season ? [NAN] : array_slice($values, $last + 1 - $season, $season);
        if (count($changes) < self::FEWEST || is_nan(array_sum($year))) {
            return null;
        }
        $drift = array_sum($changes) / count($changes);
        $squares = 0.0;
        foreach ($changes as $change) {
            $squares += ($change - $drift) ** 2;
        }
        $ahead = $lasting = $loadings = [];
        for ($h = 0; $h < $count; $h++) {
            $years = intdiv($h, $season) + 1;
            $ahead[] = $year[$h % $season] + $years * $drift;
            $lasting[] = $h % $season === 0 ? 1.0 : 0.0;
            $loadings[] = [$years / sqrt(count($changes))];
        }

        return new Projection(
            ProjectionMethod::Naive,
            $last,
            $ahead,
            $lasting,
            $squares / (count($changes) - 1),
            $loadings,
            array_fill(0, $count, 1.0),
            (float) (count($changes) - 1),
            $drift / $season,
        );
    }
}
