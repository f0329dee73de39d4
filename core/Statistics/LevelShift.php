<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * A lasting step in a series: the place where the medians of the year before and the year after differ most, if that is
 * over 15 % of the level before and over five times the usual difference of such medians, which is their median over
 * all places a year or more away from the step.
 *
 * Comparing whole years keeps seasons out of it. A rule of thumb (common practice, no source), not a significance test.
 */
final readonly class LevelShift
{
    private const SHARE = 0.15;

    /** @param int $position of the first value on the new level; @param float $share of the old level */
    private function __construct(public int $position, public float $share) {}

    /**
     * @param list<float> $values
     * @param int $year periods that a season takes
     */
    public static function in(array $values, int $year): ?self
    {
        $shares = [];
        for ($i = $year, $count = count($values); $i + $year <= $count; $i++) {
            $before = Quantile::of(array_slice($values, $i - $year, $year), 0.5);
            $after = Quantile::of(array_slice($values, $i, $year), 0.5);
            if ($before > 0.0 && !is_nan($after)) {
                $shares[$i] = $after / $before - 1.0;
            }
        }
        if (count($shares) < $year) {
            return null;
        }
        $at = (int) array_key_first($shares);
        foreach ($shares as $i => $share) {
            $at = abs($share) > abs($shares[$at]) ? $i : $at;
        }
        // A year or more from the step neither median reaches over it, so they differ by what is usual for the series.
        $usual = Quantile::of(
            array_values(
                array_map(
                    abs(...),
                    array_filter($shares, static fn(int $i): bool => abs($i - $at) >= $year, ARRAY_FILTER_USE_KEY),
                ),
            ),
            0.5,
        );
        $clear = abs($shares[$at]) > self::SHARE && abs($shares[$at]) > 5 * $usual;
        if (!$clear) {
            return null;
        }

        return new self(self::sharpest($values, $at, $year, $shares[$at] < 0.0 ? -1.0 : 1.0), $shares[$at]);
    }

    /**
     * The place around the step at which the values move furthest in its direction.
     *
     * @param list<float> $values
     * @param float $direction 1.0 of a step up, −1.0 of a step down
     */
    private static function sharpest(array $values, int $around, int $year, float $direction): int
    {
        $level = static fn(int $from, int $length): float => Quantile::of(
            array_slice($values, max(0, $from), $length),
            0.5,
        );
        $best = $around;
        $most = 0.0;
        $span = max(2, intdiv($year, 3));
        for ($i = max($span, $around - $span); $i <= min(count($values) - $span, $around + $span); $i++) {
            $move = $direction * ($level($i, $span) - $level($i - $span, $span));
            if ($move > $most) {
                [$best, $most] = [$i, $move];
            }
        }
        // Medians of a few values are blind to one period more or less; the values themselves are not.
        $step = static fn(int $i): float => $direction * (($values[$i] ?? NAN) - ($values[$i - 1] ?? NAN));
        foreach ([$best - 1, $best + 1] as $near) {
            if ($step($near) > $step($best)) {
                $best = $near;
            }
        }

        return $best;
    }
}
