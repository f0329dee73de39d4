<?php

declare(strict_types=1);

namespace DuskRail\Data;

/**
 * Writes numbers for people: thousands marked, a true minus sign, as many decimals as the numbers around it deserve.
 */
final class Numerals
{
    public static function text(float $value, int $decimals): string
    {
        if (is_nan($value)) {
            return '–';
        }
        $text = number_format(abs($value), $decimals);

        return $value < 0 && strpbrk($text, '123456789') !== false ? "−{$text}" : $text;
    }

    public static function signed(float $value, int $decimals): string
    {
        $text = self::text($value, $decimals);

        return $value > 0 && strpbrk($text, '123456789') !== false ? "+{$text}" : $text;
    }

    /**
     * Decimals that leave about three significant digits of the largest value.
     *
     * @param iterable<float> $values
     */
    public static function decimals(iterable $values): int
    {
        $largest = 0.0;
        foreach ($values as $value) {
            if (abs($value) > $largest) {
                $largest = abs($value);
            }
        }

        return $largest > 0.0 ? max(0, min(8, 2 - (int) floor(log10($largest)))) : 0;
    }

    public static function ordinal(int $number): string
    {
        $ending = $number % 100 >= 11 && $number % 100 <= 13 ? 'th' : ['th', 'st', 'nd', 'rd'][$number % 10] ?? 'th';

        return $number . $ending;
    }
}
