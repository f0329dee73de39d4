<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * By how much more those with an event changed than those without, each member counting the same. Members whose event
 * was at another time are compared with those without over their own spans, never with members that had it already
 * (Callaway and Sant'Anna, 2021, with those never treated).
 *
 * Each member gives one change, so values of a member may depend on each other as they like (Bertrand, Duflo and
 * Mullainathan, 2004). The error is the clustered one of Bell and McCaffrey (2002), CR2, with their degrees of freedom:
 * with two groups, the spreads of both apart. Where fewer than three are on one side their spread is unknown; that of
 * the others is taken for both (Donald and Lang, 2007).
 */
final readonly class DifferenceInDifferences
{
    /** Of fewer members on one side the spread cannot be told. */
    private const FEW = 3;

    public const CONFIDENCE = 0.95;

    /**
     * @param float $with mean change of those with it
     * @param float $without of those without it, over the same spans
     * @param float $error standard error of the difference; NAN with one member on each side
     * @param float $freedom degrees of freedom; NAN likewise
     * @param bool $isPooled whether the spread of one side is taken for both
     */
    private function __construct(
        public float $with,
        public float $without,
        public float $error,
        public float $freedom,
        public int $countWith,
        public int $countWithout,
        public bool $isPooled,
    ) {}

    /** @param non-empty-list<Cohort> $cohorts one for each time at which the event was */
    public static function of(array $cohorts): self
    {
        $all = array_sum(array_map(static fn(Cohort $cohort): int => count($cohort->with), $cohorts));
        $sum = 0.0;
        $distances = $influences = $weights = [];
        foreach ($cohorts as $cohort) {
            $elsewhere = $cohort->elsewhere();
            foreach ($cohort->with as $change) {
                $sum += $change;
                $distances[] = $change - $elsewhere;
            }
            // What one without it weighs in the mean that this cohort is compared with.
            $weight = count($cohort->with) / $all / count($cohort->without);
            foreach ($cohort->without as $key => $change) {
                $influences[$key] = ($influences[$key] ?? 0.0) + $weight * ($change - $elsewhere);
                $weights[$key] = ($weights[$key] ?? 0.0) + $weight;
            }
        }
        $with = $sum / $all;
        $effect = array_sum($distances) / $all;
        $others = count($influences);
        $squares = 0.0;
        foreach ($distances as $distance) {
            $squares += ($distance - $effect) ** 2;
        }
        $quiet = 0.0;
        foreach ($influences as $influence) {
            $quiet += $influence ** 2;
        }
        $isPooled = min($all, $others) < self::FEW;
        [$error, $freedom] = $isPooled
            ? self::pooled([$all, $squares], [$others, $quiet * $others * $others], $weights)
            : [
                sqrt($squares / ($all - 1) / $all + ($quiet * $others) / ($others - 1)),
                (1.0 / $all + 1.0 / $others) ** 2 /
                    (1.0 / ($all ** 2 * ($all - 1)) + 1.0 / ($others ** 2 * ($others - 1))),
            ];

        return new self($with, $with - $effect, $error, $freedom, $all, $others, $isPooled);
    }

    /**
     * Error and degrees of freedom with one spread for both sides.
     *
     * @param array{int, float} $with how many, and their squared distances from their mean
     * @param array{int, float} $without likewise
     * @param array<array-key, float> $weights of those without it in the mean that the others are compared with
     * @return array{float, float}
     */
    private static function pooled(array $with, array $without, array $weights): array
    {
        $freedom = $with[0] + $without[0] - 2;
        if ($freedom < 1) {
            return [NAN, NAN];
        }
        $sizes = 1.0 / $with[0] + array_sum(array_map(static fn(float $w): float => $w * $w, $weights));

        return [sqrt((($with[1] + $without[1]) / $freedom) * $sizes), (float) $freedom];
    }

    public function effect(): float
    {
        return $this->with - $this->without;
    }

    /** Half of the 95 % confidence interval; NAN where there is none. */
    public function reach(): float
    {
        return is_nan($this->error) ? NAN : StudentT::quantile(self::CONFIDENCE, $this->freedom) * $this->error;
    }

    /** Distance from no difference, in standard errors; NAN where the error is not known. */
    public function t(): float
    {
        $effect = $this->effect();

        return match (true) {
            is_nan($this->error) => NAN,
            $this->error === 0.0 => $effect === 0.0 ? 0.0 : ($effect < 0.0 ? -INF : INF),
            default => $effect / $this->error,
        };
    }

    /** Probability of a difference at least as large where there is none; NAN where the error is not known. */
    public function p(): float
    {
        $t = $this->t();

        return match (true) {
            is_nan($t) => NAN,
            is_infinite($t) => 0.0,
            default => StudentT::twoSided($t, $this->freedom),
        };
    }

    /** Whether the interval is on one side of zero; a difference that is only rounding is none. */
    public function isBeyondChance(): bool
    {
        return !is_nan($this->error) &&
            abs($this->effect()) > $this->reach() &&
            !Equality::holds($this->with, $this->without);
    }
}
