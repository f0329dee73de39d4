<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Values without what each part of the year usually is beside the year around it: medians of the distances from a
 * centred mean over a year, so that neither a step nor a single odd year moves them. Where all values are above zero
 * seasons go with the level, so they are taken out as factors.
 */
final class SeasonsApart
{
    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     * @return list<float> in the unit of the values
     */
    public static function of(array $values, int $season): array
    {
        if ($season < 2) {
            return $values;
        }
        $factors = array_filter($values, static fn(float $v): bool => $v <= 0.0) === [];
        $scaled = $factors ? array_map(log(...), $values) : $values;
        $around = RollingMean::trailing($scaled, $season, $season);
        $off = [];
        foreach ($scaled as $i => $value) {
            // The mean of the year about it: of an even number the two that are half a period off.
            $middle = (($around[$i + intdiv($season, 2)] ?? NAN) + ($around[$i + intdiv($season - 1, 2)] ?? NAN)) / 2;
            if (!is_nan($value) && !is_nan($middle)) {
                $off[$i % $season][] = $value - $middle;
            }
        }
        $usual = array_map(static fn(array $of): float => Quantile::of($of, 0.5), $off);
        $mean = $usual === [] ? 0.0 : array_sum($usual) / count($usual);
        foreach ($scaled as $i => $value) {
            $scaled[$i] = $value - ($usual[$i % $season] ?? $mean) + $mean;
        }

        return $factors ? array_map(exp(...), $scaled) : $scaled;
    }
}
