<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * A sudden and lasting change of level that is out of a series' own trend, seasons and ordinary variation.
 *
 * The test is that for one change at an unknown time (Andrews, 1993, “Tests for Parameter Instability and Structural
 * Change with Unknown Change Point”): beside a slow curve and the seasons a step is fitted at each place in turn,
 * and the largest F is compared with the 1 % point of its distribution, 12.16 (table I, one parameter, 15 % left out at
 * each end; from memory). Neighbours that are alike make the variance larger as in Hamed and Rao (1998). A step must
 * also be three times the ordinary scatter, be there within two periods, and last.
 */
final readonly class LevelShift
{
    private const CRITICAL = 12.16;

    /** Share of the values at each end in which no step is looked for. */
    private const LEFT_OUT = 0.15;

    private const FEWEST = 15;

    /** Times the scatter about the fitted course. */
    private const SCATTERS = 3.0;

    /** Share of the step that the nearest values on both sides must show. */
    private const SUDDEN = 0.6;

    /**
     * @param int $position of the first value on the new level
     * @param float $size in the unit of the values
     * @param float $before level before it
     */
    private function __construct(public int $position, public float $size, public float $before) {}

    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     */
    public static function in(array $values, int $season): ?self
    {
        $places = [];
        foreach ($values as $i => $value) {
            if (!is_nan($value)) {
                $places[] = $i;
            }
        }
        $count = count($places);
        if ($count < max(self::FEWEST, 3 * $season)) {
            return null;
        }
        $plain = self::withoutSeasons($values, $season);
        $own = array_map(static fn(int $i): float => $plain[$i], $places);
        $bases = self::bases($places);
        $rest = self::apart($own, $bases);
        [$k, $step, $squares] = self::largest($rest, $bases);
        if ($k === null || $step === 0.0) {
            return null;
        }
        $left = $own;
        for ($n = $k; $n < $count; $n++) {
            $left[$n] -= $step;
        }
        $left = self::apart(array_values($left), $bases);
        $variance = self::along($left, $left) / max(1, $count - 3 - $season);
        // Nothing but rounding is left of a series without scatter.
        $variance = max($variance, (1e-9 * max(array_map(abs(...), $own))) ** 2);
        $scattered = array_fill(0, count($values), NAN);
        foreach ($places as $n => $i) {
            $scattered[$i] = $left[$n];
        }
        // A step and a curve that were fitted take some of the likeness away.
        $alike = min(0.97, Autocorrelation::of(array_values($scattered), 1)->correlation + 4 / $count);
        $jump = Quantile::of(array_slice($rest, $k, 3), 0.5) - Quantile::of(array_slice($rest, max(0, $k - 3), 3), 0.5);
        $standsOut =
            ($squares / $variance) * ((1 - $alike) / (1 + $alike)) > self::CRITICAL &&
            abs($step) >= self::SCATTERS * sqrt($variance) &&
            $jump / $step >= self::SUDDEN;

        return $standsOut ? new self($places[$k], $step, self::level($plain, $places[$k], $season)) : null;
    }

    /** The step as a share of the level before it, NAN where that is not above zero. */
    public function share(): float
    {
        return $this->before > 0.0 ? $this->size / $this->before : NAN;
    }

    /**
     * A level, a straight line and a parabola over the places, each at right angles to the others and of length one.
     *
     * @param list<int> $places
     * @return list<list<float>>
     */
    private static function bases(array $places): array
    {
        $middle = array_sum($places) / count($places);
        $reach = max(1.0, ($places[count($places) - 1] - $places[0]) / 2);
        $flat = $line = $bent = [];
        foreach ($places as $i) {
            $x = ($i - $middle) / $reach;
            $flat[] = 1.0;
            $line[] = $x;
            $bent[] = $x * $x;
        }
        $bases = [];
        foreach ([$flat, $line, $bent] as $base) {
            $base = self::apart($base, $bases);
            $length = sqrt(self::along($base, $base));
            foreach ($base as $n => $value) {
                $base[$n] = $value / $length;
            }
            $bases[] = $base;
        }

        return $bases;
    }

    /**
     * What is left of values without their part along each of the bases.
     *
     * @param list<float> $values
     * @param list<list<float>> $bases
     * @return list<float>
     */
    private static function apart(array $values, array $bases): array
    {
        foreach ($bases as $base) {
            $along = self::along($values, $base);
            foreach ($values as $n => $value) {
                $values[$n] = $value - $along * $base[$n];
            }
        }

        return $values;
    }

    /**
     * @param list<float> $values
     * @param list<float> $base as many
     */
    private static function along(array $values, array $base): float
    {
        $along = 0.0;
        foreach ($values as $n => $value) {
            $along += $value * $base[$n];
        }

        return $along;
    }

    /**
     * The step that explains most of what is left.
     *
     * @param list<float> $rest
     * @param list<list<float>> $bases
     * @return array{int|null, float, float} number of its first value, its size, and the squares that it explains
     */
    private static function largest(array $rest, array $bases): array
    {
        $count = count($rest);
        $ends = max(2, (int) ceil(self::LEFT_OUT * $count));
        $best = [null, 0.0, 0.0];
        // Sums from each place to the end.
        $sum = 0.0;
        $along = array_fill(0, count($bases), 0.0);
        for ($k = $count - 1; $k >= $ends; $k--) {
            $sum += $rest[$k];
            $own = (float) ($count - $k);
            foreach ($bases as $n => $base) {
                $along[$n] += $base[$k];
                $own -= $along[$n] * $along[$n];
            }
            if ($k <= $count - $ends && $own > 1e-9 && ($sum * $sum) / $own > $best[2]) {
                $best = [$k, $sum / $own, ($sum * $sum) / $own];
            }
        }

        return $best;
    }

    /**
     * The values without what each part of the year usually is beside the year around it. Where the values are above
     * zero seasons go with the level, so they are taken out as factors.
     *
     * @param list<float> $values
     * @return list<float>
     */
    private static function withoutSeasons(array $values, int $season): array
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

    /** @param list<float> $values */
    private static function level(array $values, int $at, int $season): float
    {
        $length = max(3, $season);

        return Quantile::of(array_slice($values, max(0, $at - $length), min($at, $length)), 0.5);
    }
}
