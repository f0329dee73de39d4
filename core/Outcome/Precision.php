<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Numerals;

/** With how many decimals the values of a comparison are written, and whether in millions. */
final readonly class Precision
{
    /**
     * @param int $decimals of labels, headlines and lists
     * @param int $carried decimals that the values have where they are as the file has them; of calculated ones as many
     *     as are asked for
     * @param int $power of ten that all are written in; 0 where they are written out
     */
    public function __construct(public int $decimals, public int $carried = PHP_INT_MAX, public int $power = 0) {}

    /** For whoever looks at single values: one decimal more than in labels, but none that the values do not carry. */
    public function fine(): int
    {
        return min($this->decimals + 1, $this->carried);
    }

    public function text(float $value, ?int $decimals = null): string
    {
        return Numerals::scaled($value, $decimals ?? $this->decimals, $this->power);
    }

    /** The number alone, for columns whose heading has unit(). */
    public function bare(float $value, ?int $decimals = null): string
    {
        return Numerals::bare($value, $decimals ?? $this->decimals, $this->power);
    }

    /** `million`; nothing where numbers are written out. */
    public function unit(): string
    {
        return Numerals::word($this->power);
    }

    /** A change or a distance, with its sign. */
    public function signed(float $value, ?int $decimals = null, bool $bare = false): string
    {
        $text = $bare ? $this->bare($value, $decimals) : $this->text($value, $decimals);

        return $value > 0.0 && strpbrk($text, '123456789') !== false ? "+{$text}" : $text;
    }
}
