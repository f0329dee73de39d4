<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * What many series had in common besides their slow courses: jumps, good and bad years. It is the median of all, each
 * about its own level, without its straight line and its bends, since a turn that all made is a turn of each.
 */
final readonly class SharedCourse
{
    /** Fewer have nothing in common that could be told from one of them (common practice, no source). */
    private const FEWEST = 4;

    /** Share of the positions at which a series must have a value. */
    private const THERE = 0.9;

    /**
     * @param list<float> $values without missing ones; empty where too few series are there throughout
     * @param int $steps changes of level in it
     */
    private function __construct(public array $values, public int $steps) {}

    public static function none(): self
    {
        return new self([], 0);
    }

    /**
     * @param list<list<float>> $series of one length; missing values are NAN
     * @param int $season values in a year, 1 without seasons
     */
    public static function of(array $series, int $season): self
    {
        $own = [];
        foreach ($series as $values) {
            $there = array_filter($values, static fn(float $v): bool => !is_nan($v));
            if (count($there) >= self::THERE * count($values) && count($there) >= 2) {
                $own[] = self::scaled(self::filled(SeasonsApart::of($values, $season)));
            }
        }
        $own = array_values(array_filter($own));
        if (count($own) < self::FEWEST) {
            return self::none();
        }
        $median = [];
        foreach (array_keys($own[0]) as $i) {
            $median[] = Quantile::of(array_column($own, $i), 0.5);
        }
        $turns = Turns::in($median);
        if (is_nan($turns->slope)) {
            return self::none();
        }
        $step = $squares = 0.0;
        $steps = $rest = [];
        foreach ($median as $i => $value) {
            foreach ($turns->turns as $turn) {
                $step += $turn->position === $i ? $turn->step : 0.0;
            }
            $steps[] = $step;
            $rest[] = $value - $turns->course[$i];
            $squares += ($value - $turns->course[$i]) ** 2;
        }
        // What is left of a median of few is mostly what is each one's own.
        $chance = self::own($own, $median);
        $share = $squares > 0.0 ? max(0.0, 1.0 - ($chance * count($median)) / $squares) : 0.0;

        return new self(
            array_map(static fn(float $s, float $r): float => $s + $share * $r, $steps, $rest),
            count(array_filter(array_column($turns->turns, 'step'))),
        );
    }

    /**
     * The variance that a median has because each series has some of its own, about a straight line.
     *
     * @param list<list<float>> $own
     * @param list<float> $median
     */
    private static function own(array $own, array $median): float
    {
        $places = array_map(floatval(...), array_keys($median));
        $squares = 0.0;
        foreach ($own as $values) {
            $apart = array_map(static fn(float $value, float $of): float => $value - $of, $values, $median);
            $line = StraightLine::through($places, $apart);
            foreach ($apart as $i => $value) {
                $squares += ($value - ($line->intercept ?? 0.0) - ($line->slope ?? 0.0) * $i) ** 2;
            }
        }

        // The variance of a median of normal values is π/2 times that of a mean.
        return ((M_PI / 2.0) * $squares) / count($median) / count($own) ** 2;
    }

    /**
     * Missing values on a straight line between their neighbours, before the first and after the last the same.
     *
     * @param list<float> $values
     * @return list<float>
     */
    private static function filled(array $values): array
    {
        $last = null;
        $filled = $values;
        foreach ($values as $i => $value) {
            if (is_nan($value)) {
                continue;
            }
            for ($k = ($last ?? -1) + 1; $k < $i; $k++) {
                $filled[$k] = $last === null
                    ? $value
                    : $values[$last] + (($value - $values[$last]) * ($k - $last)) / ($i - $last);
            }
            $last = $i;
        }
        for ($k = ($last ?? count($values)) + 1; $k < count($values); $k++) {
            $filled[$k] = $values[$last ?? 0];
        }

        return array_values($filled);
    }

    /**
     * About their median: as logarithms where all are above zero, else in median absolute changes from one to the next.
     *
     * @param list<float> $values
     * @return list<float> empty for values that are all the same
     */
    private static function scaled(array $values): array
    {
        if ($values !== [] && min($values) > 0.0) {
            $values = array_map(log(...), $values);
            $middle = Quantile::of($values, 0.5);

            return array_map(static fn(float $v): float => $v - $middle, $values);
        }
        $middle = Quantile::of($values, 0.5);
        $changes = [];
        for ($i = 1; $i < count($values); $i++) {
            $changes[] = abs($values[$i] - $values[$i - 1]);
        }
        $scale = Quantile::of($changes, 0.5);

        return $scale > 0.0 ? array_map(static fn(float $v): float => ($v - $middle) / $scale, $values) : [];
    }
}
