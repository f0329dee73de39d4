<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Data\Numerals;

/** Round values for an axis: steps of 1, 2 or 5 times a power of ten. */
final readonly class Ticks
{
    /** @param list<float> $values */
    private function __construct(public array $values, private int $decimals, private bool $varied = false) {}

    /** Round values on a scale of either kind; on one that runs downwards, as ranks do, whole ones from the first. */
    public static function on(Scale $scale, int $most): self
    {
        [$low, $high] = [min($scale->low, $scale->high), max($scale->low, $scale->high)];
        if ($scale->low > $scale->high) {
            return self::ranks($high, $most);
        }

        return $scale->log ? self::logarithmic($low, $high, $most) : self::between($low, $high, $most);
    }

    private static function ranks(float $last, int $most): self
    {
        $step = max(1.0, self::step($last / max(1, $most)));
        $values = self::multiples(1.0, $last, $step);

        return new self(in_array(1.0, $values, true) ? $values : [1.0, ...$values], 0);
    }

    /** Powers of ten, with their two- and fivefold where there is room; on a short stretch plain round steps. */
    private static function logarithmic(float $low, float $high, int $most): self
    {
        $decades = log10($high) - log10($low);
        if ($decades < 0.7) {
            return self::between($low, $high, $most);
        }
        $every = max(1, (int) ceil($decades / $most));
        $factors = $decades * 3 <= $most + 1 ? [1.0, 2.0, 5.0] : [1.0];
        $values = [];
        $from = (int) floor(log10($low));
        for ($power = $from; 10.0 ** $power <= $high; $power++) {
            foreach ($power % $every === 0 ? $factors : [] as $factor) {
                $value = $factor * 10.0 ** $power;
                if ($value >= $low && $value <= $high) {
                    $values[] = $value;
                }
            }
        }

        return new self($values, max(0, -$from), true);
    }

    /** @param int $most how many there may be, at least 2 */
    public static function between(float $low, float $high, int $most): self
    {
        $step = self::step(($high - $low) / max(1, $most));
        $values = self::multiples($low, $high, $step);
        // One value alone is no scale; then rather one or two more than there is ample room for.
        $finer = self::step($step / 2.5);
        if (count($values) < 3 && count(self::multiples($low, $high, $finer)) <= $most + 2) {
            $step = $finer;
            $values = self::multiples($low, $high, $step);
        }

        return new self($values, max(0, -(int) floor(log10($step) + 1e-9)));
    }

    /** @return list<float> */
    private static function multiples(float $low, float $high, float $step): array
    {
        $values = [];
        for ($n = (int) ceil($low / $step - 1e-9), $last = (int) floor($high / $step + 1e-9); $n <= $last; $n++) {
            $values[] = $n * $step;
        }

        return $values;
    }

    /** The smallest round step that is not below a width. */
    public static function step(float $width): float
    {
        if ($width <= 0.0 || !is_finite($width)) {
            return 1.0;
        }
        $power = 10.0 ** floor(log10($width));
        foreach ([1.0, 2.0, 5.0] as $factor) {
            if ($factor * $power >= $width * (1 - 1e-9)) {
                return $factor * $power;
            }
        }

        return 10.0 * $power;
    }

    public function label(float $value): string
    {
        // On a logarithmic axis, where all is above zero, 100 needs no decimals because 0.01 does.
        $own = $this->varied ? max(0, -(int) floor(log10($value) + 1e-9)) : $this->decimals;

        // On a logarithmic axis 1,000 is no millionth of a billion.
        $power = $this->varied ? min(12, 3 * intdiv((int) max(0, floor(log10($value) + 1e-9)), 3)) : $this->power();
        $power = $power === 3 ? 0 : $power;
        $decimals = max(0, min($own, $this->decimals));

        return $power === 0
            ? Numerals::text($value, $decimals)
            : Numerals::scaled($value, $this->varied ? 0 : $this->decimalsIn($power), $power);
    }

    private function power(): int
    {
        return Numerals::power(max([0.0, ...array_map(abs(...), $this->values)]));
    }

    /** Decimals that tell neighbours apart in a power of ten. */
    private function decimalsIn(int $power): int
    {
        $step = count($this->values) < 2 ? abs($this->values[0] ?? 1.0) : abs($this->values[1] - $this->values[0]);

        return $step > 0.0 ? max(0, $power - (int) floor(log10($step) + 1e-9)) : 0;
    }
}
