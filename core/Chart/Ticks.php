<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Data\Numerals;

/** Round values for an axis: steps of 1, 2 or 5 times a power of ten. */
final readonly class Ticks
{
    /** @param list<float> $values */
    private function __construct(public array $values, private int $decimals) {}

    /** @param int $most how many there may be, at least 2 */
    public static function between(float $low, float $high, int $most): self
    {
        $step = self::step(($high - $low) / max(1, $most));
        $values = [];
        for ($n = (int) ceil($low / $step - 1e-9), $last = (int) floor($high / $step + 1e-9); $n <= $last; $n++) {
            $values[] = $n * $step;
        }

        return new self($values, max(0, -(int) floor(log10($step) + 1e-9)));
    }

    /** The smallest round step that is not below a width. */
    public static function step(float $width): float
    {
        if ($width <= 0.0 || ! is_finite($width)) {
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
        return Numerals::text($value, $this->decimals);
    }
}
