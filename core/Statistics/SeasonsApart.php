<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * What each part of the year usually is beside the year around it: medians of the distances from a centred mean over a
 * year, so that neither a step nor a single odd year moves them. Where all values are above zero seasons go with the
 * level, so they are factors.
 */
final readonly class SeasonsApart
{
    /**
     * @param list<float> $usual distance of each place in the year from the mean of all, of factors as logarithms;
     *     empty without seasons
     * @param int $years how many distances the median of a place is of, at the place with the fewest
     */
    private function __construct(private array $usual, private bool $isFactor, public int $years) {}

    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     */
    public static function in(array $values, int $season): self
    {
        if ($season < 2) {
            return new self([], false, 0);
        }
        $isFactor = array_filter($values, static fn(float $v): bool => $v <= 0.0) === [];
        $scaled = $isFactor ? array_map(log(...), $values) : $values;
        $around = RollingMean::trailing($scaled, $season, $season);
        $off = [];
        foreach ($scaled as $i => $value) {
            // The mean of the year about it: of an even number the two that are half a period off.
            $middle = (($around[$i + intdiv($season, 2)] ?? NAN) + ($around[$i + intdiv($season - 1, 2)] ?? NAN)) / 2;
            if (!is_nan($value) && !is_nan($middle)) {
                $off[$i % $season][] = $value - $middle;
            }
        }
        $medians = array_map(static fn(array $of): float => Quantile::of($of, 0.5), $off);
        $mean = $medians === [] ? 0.0 : array_sum($medians) / count($medians);
        $usual = [];
        for ($place = 0; $place < $season; $place++) {
            $usual[] = ($medians[$place] ?? $mean) - $mean;
        }

        return new self($usual, $isFactor, count($off) < $season ? 0 : min(array_map(count(...), $off)));
    }

    /**
     * @param list<float> $values missing ones are NAN
     * @param int $season values in a year, 1 without seasons
     * @return list<float> without seasons, in the unit of the values
     */
    public static function of(array $values, int $season): array
    {
        return self::in($values, $season)->without($values);
    }

    /**
     * @param list<float> $values of the same series
     * @return list<float> without seasons, in the unit of the values
     */
    public function without(array $values): array
    {
        if ($this->usual === []) {
            return $values;
        }
        foreach ($values as $i => $value) {
            $values[$i] = $this->apart($value, $i);
        }

        return array_values($values);
    }

    /** The value of a position, which may be after the values, without its season. */
    public function apart(float $value, int $position): float
    {
        $usual = $this->usual === [] ? 0.0 : $this->usual[$position % count($this->usual)];

        return $this->isFactor ? $value * exp(-$usual) : $value - $usual;
    }

    /** A value that is without its season with that of a position, which may be after the values. */
    public function with(float $value, int $position): float
    {
        $usual = $this->usual === [] ? 0.0 : $this->usual[$position % count($this->usual)];

        return $this->isFactor ? $value * exp($usual) : $value + $usual;
    }

    /** How many times as large a distance is at a position as without its season. */
    public function times(int $position): float
    {
        return $this->isFactor && $this->usual !== [] ? exp($this->usual[$position % count($this->usual)]) : 1.0;
    }
}
