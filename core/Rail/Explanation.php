<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Numerals;

/** How one value left a stop: the arithmetic with the numbers put in, and which values that arrived it was made of. */
final readonly class Explanation
{
    /**
     * @param string $text the left side of an equation: `1,182.4 ÷ 61,250 × 1,000,000`
     * @param int $at position, among those that arrived, whose own working comes before this one
     * @param list<int> $inputs positions of all values of the same line that went in, when there are several
     * @param list<array{measure: string, ordinal: int}> $observations of other measures that went in
     */
    private function __construct(
        public string $text,
        public int $at,
        public array $inputs,
        public array $observations,
    ) {}

    /**
     * @param list<int> $inputs
     * @param list<array{measure: string, ordinal: int}> $observations
     */
    public static function of(string $text, int $at, array $inputs = [], array $observations = []): self
    {
        return new self($text, $at, $inputs, $observations);
    }

    /** `1 value`, `12 values`. */
    public static function values(int $count): string
    {
        return Numerals::text($count, 0) . ($count === 1 ? ' value' : ' values');
    }

    /**
     * A number with six digits that count, enough to work it out again; with more where it is taken from another that
     * is hardly different, since their difference has fewer.
     */
    public static function number(float $value, float $beside = NAN): string
    {
        if (is_nan($value)) {
            return 'nothing';
        }
        $apart = abs($value - $beside) / max(abs($value), abs($beside), PHP_FLOAT_MIN);
        // A double has seventeen.
        $digits = $apart > 0.0 && $apart < 0.1 ? min(17, 6 - (int) floor(log10($apart))) : 6;
        $decimals = $value === 0.0 ? 0 : max(0, min(20, $digits - 1 - (int) floor(log10(abs($value)))));
        return Numerals::trimmed($value, $decimals);
    }
}
