<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * How far a count may be from what is expected by chance alone: exact limits of Poisson and binomial counts, made
 * smooth between whole numbers (Spiegelhalter, 2005, “Funnel plots for comparing institutional performance”, appendix
 * A.1), and how much more than chance alone the counts of a set vary (section 3 there).
 */
final class ChanceLimits
{
    /** Shares of counts below the outer and inner limits: 99.8 and 95 % are between. */
    public const TAILS = [0.001, 0.025, 0.975, 0.999];

    /** So large a share of the most extreme is pulled in before their spread is calculated. */
    private const WINSORISED = 0.1;

    /**
     * What the variance of a normal distribution is after that, by integration:
     * 0.8 − 2 c φ(c) + 0.2 c², where c = 1.2816 is its ninth decile.
     */
    private const NORMAL_WINSORISED = 0.6786;

    /**
     * The count that a share of Poisson counts is below.
     *
     * @param float $expected above 0
     * @param float $share 0 to 1
     */
    public static function poisson(float $expected, float $share): float
    {
        if (is_nan($expected) || $expected <= 0.0) {
            return NAN;
        }

        return self::between(
            static fn(int $count): float => $count < 0 ? 0.0 : 1.0 - Incomplete::gamma($count + 1.0, $expected),
            $share,
            $expected,
            sqrt($expected),
            INF,
        );
    }

    /**
     * The same where the rate is not known but found by a count of others: given both together, the count is one of a
     * binomial distribution by the shares of exposure (the exact conditional test of two Poisson means; Przyborowski
     * and Wilenski, 1940), so the limit is that of a negative binomial one.
     *
     * @param float $exposure of the one, in the unit of the others'
     * @param float $count of the others
     * @param float $others their exposure
     */
    public static function poissonBeside(float $exposure, float $count, float $others, float $share): float
    {
        if (!($exposure > 0.0 && $others > 0.0 && $count > 0.0) || is_nan($exposure + $count + $others)) {
            return NAN;
        }
        $rate = $count / $others;
        $successes = $share < 0.5 ? $count : $count + 1.0;

        return self::between(
            static fn(int $at): float => $at < 0
                ? 0.0
                : Incomplete::beta($others / ($exposure + $others), $successes, $at + 1.0),
            $share,
            $rate * $exposure,
            sqrt($rate * $exposure * (1.0 + $exposure / $others)),
            INF,
        );
    }

    /**
     * The same of counts out of a number, each with one probability.
     *
     * @param float $of the number, rounded to a whole one
     * @param float $probability 0 to 1
     */
    public static function binomial(float $of, float $probability, float $share): float
    {
        $n = round($of);
        if (is_nan($of) || $n < 1.0 || $probability <= 0.0 || $probability >= 1.0) {
            return NAN;
        }

        return self::between(
            static fn(int $count): float => match (true) {
                $count < 0 => 0.0,
                $count >= $n => 1.0,
                default => 1.0 - Incomplete::beta($probability, $count + 1.0, $n - $count),
            },
            $share,
            $n * $probability,
            sqrt($n * $probability * (1.0 - $probability)),
            $n,
        );
    }

    /**
     * How many times as large the variance of standardised differences is as chance alone would make it: the mean of
     * their squares, the outermost tenth on either side pulled in; at least 1. It is divided by what that leaves of the
     * variance of normal differences from a rate that is calculated of them, which the published formula is not.
     *
     * @param list<float> $scores differences from what is expected in standard errors
     */
    public static function dispersion(array $scores): float
    {
        if (count($scores) < 2) {
            return 1.0;
        }
        $low = Quantile::of($scores, self::WINSORISED);
        $high = Quantile::of($scores, 1.0 - self::WINSORISED);
        $squares = array_map(static fn(float $z): float => max($low, min($high, $z)) ** 2, $scores);

        return max(1.0, array_sum($squares) / (count($squares) - 1) / self::NORMAL_WINSORISED);
    }

    /**
     * @param callable(int): float $below probability of so many or fewer
     */
    private static function between(callable $below, float $share, float $mean, float $deviation, float $most): float
    {
        // From where a normal count would have it, step by step to where it is.
        $count = (int) max(0.0, min($most, floor($mean + self::normal($share) * $deviation)));
        $here = $below($count);
        while ($here > $share && $count >= 0) {
            $here = $below(--$count);
        }
        while ($here <= $share && $count < $most) {
            $here = $below(++$count);
        }
        $under = $below($count - 1);

        return $here > $under ? $count - ($here - $share) / ($here - $under) : (float) $count;
    }

    /** Roughly where a share of a normal distribution is below (Abramowitz and Stegun, 26.2.22). */
    private static function normal(float $share): float
    {
        $t = sqrt(-2.0 * log(min($share, 1.0 - $share)));
        $at = $t - (2.30753 + 0.27061 * $t) / (1.0 + 0.99229 * $t + 0.04481 * $t * $t);

        return $share < 0.5 ? -$at : $at;
    }
}
