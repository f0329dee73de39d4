<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** How far two lists go up together (Spearman 1904): the correlation of their ranks, equal values sharing the mean one. */
final class RankCorrelation
{
    /**
     * @param list<float> $one finite
     * @param list<float> $other finite, as many
     * @return float from −1 to 1; NAN where one of them never changes, or of fewer than three values
     */
    public static function of(array $one, array $other): float
    {
        if (count($one) < 3) {
            return NAN;
        }
        [$a, $b] = [self::ranks($one), self::ranks($other)];
        $mean = (count($a) + 1) / 2;
        $both = $ofA = $ofB = 0.0;
        foreach ($a as $i => $rank) {
            $both += ($rank - $mean) * ($b[$i] - $mean);
            $ofA += ($rank - $mean) ** 2;
            $ofB += ($b[$i] - $mean) ** 2;
        }

        return $ofA * $ofB > 0.0 ? $both / sqrt($ofA * $ofB) : NAN;
    }

    /**
     * @param list<float> $values
     * @return list<float>
     */
    private static function ranks(array $values): array
    {
        $order = $values;
        asort($order);
        $at = array_keys($order);
        $ranks = array_fill(0, count($values), 0.0);
        for ($i = 0, $count = count($at); $i < $count; $i = $end) {
            for ($end = $i + 1; $end < $count && $values[$at[$end]] === $values[$at[$i]]; $end++);
            for ($j = $i; $j < $end; $j++) {
                // The mean of the places i + 1 to end.
                $ranks[$at[$j]] = ($i + 1 + $end) / 2;
            }
        }

        return array_values($ranks);
    }
}
