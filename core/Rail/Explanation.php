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

    /** A number with six digits that count, enough to work it out again. */
    public static function number(float $value): string
    {
        if (is_nan($value)) {
            return 'nothing';
        }
        $decimals = $value === 0.0 ? 0 : max(0, min(10, 5 - (int) floor(log10(abs($value)))));
        $text = Numerals::text($value, $decimals);

        return str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;
    }
}
