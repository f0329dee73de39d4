<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/**
 * The same quantile of many columns, one after the other. Neighbours are alike as a rule: the values near the last
 * result are sorted, all others are only counted. Where that misses, all are sorted. The result is that of Quantile.
 */
final class ColumnQuantile
{
    /** Up to so many values it is quicker to sort them all. */
    private const FEW = 48;

    private float $low = INF;

    private float $high = -INF;

    /** @param float $share 0 to 1; 0.5 is the median */
    public function __construct(private readonly float $share, private readonly QuantileType $type) {}

    /**
     * @param list<float> $values missing values (NAN) are left out
     * @return float NAN when no value is there
     */
    public function of(array $values): float
    {
        if (count($values) <= self::FEW) {
            return Quantile::of($values, $this->share, $this->type);
        }
        [$low, $high] = [$this->low, $this->high];
        $below = $above = 0;
        $near = [];
        foreach ($values as $value) {
            if ($value < $low) {
                $below++;
            } elseif ($value > $high) {
                $above++;
            } elseif (!is_nan($value)) {
                $near[] = $value;
            }
        }
        $found = count($near);
        $count = $below + $found + $above;
        if ($count === 0) {
            return NAN;
        }
        $place = $this->type->place($count, $this->share);
        $at = (int) floor($place);
        $part = $place - $at;
        if ($at < $below || $at + 1 >= $below + $found) {
            $near = array_values(array_filter($values, static fn(float $v): bool => !is_nan($v)));
            [$below, $found] = [0, $count];
        }
        sort($near);
        $at -= $below;
        $this->bracket($near, $at, intdiv($count, 80) + 8);

        return $part === 0.0 ? $near[$at] : $near[$at] + $part * ($near[$at + 1] - $near[$at]);
    }

    /**
     * What is looked at in the next column: so many values on either side, and as far again.
     *
     * @param list<float> $sorted
     */
    private function bracket(array $sorted, int $at, int $reach): void
    {
        $low = $sorted[max(0, $at - $reach)];
        $high = $sorted[min(count($sorted) - 1, $at + $reach)];
        $this->low = $low - ($high - $low);
        $this->high = $high + ($high - $low);
    }
}
