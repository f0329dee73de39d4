<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * Limits of the ordinary variation of a series from the moving range of its own baseline: the mean ± 3 × the mean
 * moving range ÷ 1.128 (Shewhart, 1931; NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2), and what is beyond
 * it by the rules of the Western Electric handbook (1956) and Nelson (1984). Missing values are passed over.
 */
final readonly class IndividualsChart
{
    /** The mean range of two normal values, in standard deviations. */
    private const RANGE_OF_TWO = 1.128;

    /** Values on one side of the middle that are a run. */
    public const RUN = 8;

    /** Values that rise, or fall, one after the other, and are a trend. */
    private const TREND = 6;

    /** Values that a baseline must have; common practice, no source. */
    public const LEAST = 8;

    private function __construct(
        public float $middle,
        public float $lower,
        public float $upper,
        /** @var array<int, float> values that are there, by position */
        private array $values,
    ) {}

    /**
     * @param list<float> $values
     * @param int $from first position of the baseline
     * @param int $to last position of the baseline, itself included
     * @return self|null null with fewer than LEAST values in the baseline, or where they are all the same
     */
    public static function of(array $values, int $from, int $to): ?self
    {
        $there = array_filter($values, static fn(float $v): bool => !is_nan($v));
        $base = array_values(
            array_filter($there, static fn(int $i): bool => $i >= $from && $i <= $to, ARRAY_FILTER_USE_KEY),
        );
        $count = count($base);
        if ($count < self::LEAST) {
            return null;
        }
        $ranges = 0.0;
        for ($i = 1; $i < $count; $i++) {
            $ranges += abs($base[$i] - $base[$i - 1]);
        }
        $middle = array_sum($base) / $count;
        $reach = (3.0 * $ranges) / ($count - 1) / self::RANGE_OF_TWO;

        return $reach > 0.0 ? new self($middle, $middle - $reach, $middle + $reach, $there) : null;
    }

    /** @return list<int> positions of values beyond the limits */
    public function outside(): array
    {
        return array_keys(array_filter($this->values, fn(float $v): bool => $v > $this->upper || $v < $this->lower));
    }

    /** @return list<int> positions of values in a run of eight or more on one side of the middle */
    public function runs(): array
    {
        return $this->inARow(self::RUN, fn(float $value, float $before): int => $value <=> $this->middle);
    }

    /** @return list<int> positions of values of which six or more rise, or fall, one after the other */
    public function trends(): array
    {
        return $this->inARow(self::TREND - 1, static fn(float $value, float $before): int => $value <=> $before, 1);
    }

    /**
     * @param callable(float, float): int $side of a value, given the one before; 0 ends a row
     * @param int $more values before the first of a row that are part of it
     * @return list<int>
     */
    private function inARow(int $least, callable $side, int $more = 0): array
    {
        $positions = array_keys($this->values);
        $found = [];
        $length = 0;
        $last = 0;
        foreach ($positions as $n => $position) {
            $now = $n < $more ? 0 : $side($this->values[$position], $this->values[$positions[max(0, $n - 1)]]);
            $length = $now !== 0 && $now === $last ? $length + 1 : ($now === 0 ? 0 : 1);
            $last = $now;
            for ($back = $length < $least ? -1 : $length - 1 + $more; $back >= 0; $back--) {
                $found[$positions[$n - $back]] = true;
            }
        }
        ksort($found);

        return array_keys($found);
    }
}
