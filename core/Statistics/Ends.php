<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * The two ends of a series, like compared with like: the last year with the first one where each is whole, else the
 * last value with the earliest of its own season, and without seasons the last value with the first.
 */
final readonly class Ends
{
    /**
     * @param float $first value or mean at the beginning, NAN without one
     * @param float $apart periods between the two, on average where each is a mean
     * @param int $each how many values each of the two is the mean of
     */
    private function __construct(public float $first, public float $last, public float $apart, public int $each) {}

    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     */
    public static function of(array $values, int $season): self
    {
        $there = array_keys(array_filter($values, static fn(float $v): bool => !is_nan($v)));
        if (count($there) < 2) {
            return new self(NAN, NAN, 0, 0);
        }
        [$from, $to] = [$there[0], $there[count($there) - 1]];
        if ($season > 1 && $to - $from + 1 >= 2 * $season) {
            $whole = self::years($values, $from, $to, $season);
            if ($whole !== null) {
                return $whole;
            }
        }
        // Without two years of the same season, a season is all that the ends could show.
        for ($i = $from; $i < $to; $i++) {
            if (!is_nan($values[$i]) && ($to - $i) % $season === 0) {
                return new self($values[$i], $values[$to], $to - $i, 1);
            }
        }

        return $season > 1 && $to - $from >= $season
            ? new self(NAN, NAN, 0, 0)
            : new self($values[$from], $values[$to], $to - $from, 1);
    }

    /** How far the last end is from the first; NAN where there are not two. */
    public function change(): float
    {
        return $this->last - $this->first;
    }

    /**
     * Compound growth a year in per cent, NAN where there is none, and where the two are less than a year apart.
     *
     * @param float $perYear periods in a year; NAN where growth means nothing
     */
    public function growth(float $perYear): float
    {
        // A year of days or weeks is a little shorter than their mean.
        return is_nan($perYear) || $this->apart < floor($perYear) || $this->first <= 0.0 || $this->last < 0.0
            ? NAN
            : (($this->last / $this->first) ** ($perYear / $this->apart) - 1.0) * 100.0;
    }

    /**
     * The means of the first and the last year, over the seasons that both have.
     *
     * @param list<float> $values
     */
    private static function years(array $values, int $from, int $to, int $season): ?self
    {
        $first = $last = [];
        $apart = 0;
        $start = $to - $season + 1;
        for ($i = $start; $i <= $to; $i++) {
            // The same part of the year in the first one.
            $at = $from + (($i - $from) % $season);
            if (!is_nan($values[$at]) && !is_nan($values[$i])) {
                $first[] = $values[$at];
                $apart += $i - $at;
                $last[] = $values[$i];
            }
        }

        return count($first) < $season / 2
            ? null
            : new self(
                array_sum($first) / count($first),
                array_sum($last) / count($last),
                $apart / count($first),
                count($first),
            );
    }
}
