<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * How much a turn must explain before it is called one, in variances of what it leaves: so much that of series without
 * a turn at most 7 % have one, up to a likeness of neighbours of 0.8. Found by simulation (bench/turns.php), since the
 * places are looked for and the likeness is itself estimated, from few values badly.
 */
final class TurnBounds
{
    /** By number of values: the bound where neighbours are not alike, and what likeness squared adds to it. */
    private const BOUNDS = [
        10 => [24.0, 40.0],
        12 => [19.0, 30.0],
        15 => [18.5, 35.0],
        20 => [19.5, 100.0],
        25 => [16.5, 130.0],
        30 => [11.2, 165.0],
        40 => [11.8, 60.0],
        60 => [10.2, 30.0],
        90 => [9.6, 22.0],
        120 => [9.4, 22.0],
        240 => [10.0, 8.0],
    ];

    /** Seasons are estimated as well, which takes so many values for each. */
    private const FOR_A_SEASON = 1.6;

    /**
     * The 5 % points of Bai and Perron's test for one turn more than so many, as multiples of that for one (1998, table
     * II, one size, a tenth at each end; from memory).
     */
    private const BESIDE = [1.0, 1.16, 1.25, 1.36, 1.43];

    /** Times the bound that two together must explain, for each of them, since they are looked for in many more places. */
    private const TWO = 1.8;

    /** The same of two that stand in for one, for the one that is more. */
    private const TWO_FOR_ONE = 1.3;

    /**
     * Where the place of a bend may be. Chi-squared with one degree of freedom has 3.84 at 95 %; by simulation it takes
     * more, since it is not known whether it is a bend.
     */
    public const BEND = 6.0;

    /** −2 ln(1 − √0.95): where that of a step may be (Eo and Morley, 2015). */
    public const STEP = 7.352;

    public static function one(int $count, int $season, float $likeness): float
    {
        $effective = max(10.0, $count - ($season > 1 ? self::FOR_A_SEASON * $season : 0.0));
        $counts = array_keys(self::BOUNDS);
        $above = 0;
        while ($above < count($counts) - 1 && $counts[$above] < $effective) {
            $above++;
        }
        $below = max(0, $above - 1);
        [$from, $to] = [log($counts[$below]), log($counts[$above])];
        $share = $to > $from ? max(0.0, min(1.0, (log($effective) - $from) / ($to - $from))) : 0.0;
        $of = static fn(int $k): float => self::BOUNDS[$counts[$below]][$k] +
            $share * (self::BOUNDS[$counts[$above]][$k] - self::BOUNDS[$counts[$below]][$k]);

        return $of(0) + $of(1) * $likeness ** 2;
    }

    /** Times the bound where there are no more values than years: the more, the fewer these are. */
    public static function ofYears(int $years): float
    {
        return max(1.1, 2.6 - 0.08 * $years);
    }

    /** How many times as much it must be beside so many others, since there are so many more parts to look in. */
    public static function beside(int $others): float
    {
        return self::BESIDE[min($others, count(self::BESIDE) - 1)];
    }

    /** Times the bound that two together must explain, with none or one of them in their place before. */
    public static function two(int $before): float
    {
        return $before === 0 ? 2.0 * self::TWO : self::TWO_FOR_ONE;
    }
}
