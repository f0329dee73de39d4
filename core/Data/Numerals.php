<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Notation;
use IntlChar;

/**
 * Writes numbers for people: thousands marked, a true minus sign, as many decimals as the numbers around it deserve.
 */
final class Numerals
{
    /** What is written where there is no number. */
    private const NOTHING = '/^(|[-–—.:?*x]|\.{2,3}|…|n\.?\/?a\.?|k\. ?A\.|none|null|unknown)$/iu';

    public static function text(float $value, int $decimals): string
    {
        if (is_nan($value)) {
            return '–';
        }
        $text = Notation::of(number_format(abs($value), $decimals));

        return $value < 0 && strpbrk($text, '123456789') !== false ? "−{$text}" : $text;
    }

    /** From so many on numbers are written in millions, and so on: eight digits and more are counted, not read. */
    private const LARGE = [12 => 1e13, 9 => 1e10, 6 => 1e7];

    /** Of fewer values a middle half says nothing. */
    private const FEW = 4;

    private const WORDS = [6 => 'million', 9 => 'billion', 12 => 'trillion'];

    /** The power of ten that numbers up to one are written in: 6 for millions; 0 where they are written out. */
    public static function power(float $largest): int
    {
        foreach (self::LARGE as $power => $from) {
            if (abs($largest) >= $from) {
                return $power;
            }
        }

        return 0;
    }

    /**
     * A number in millions, billions or trillions: `24.4 million`.
     *
     * @param int $decimals of what is left of it
     * @param int $power as power() has it
     */
    public static function scaled(float $value, int $decimals, int $power): string
    {
        if ($power === 0 || is_nan($value)) {
            return self::text($value, $decimals);
        }
        $text = self::text($value / 10.0 ** $power, $decimals);

        // What would vanish beside the others is written out.
        return strpbrk($text, '123456789') === false
            ? self::text($value, 0)
            : $text . ' ' . (self::WORDS[$power] ?? '');
    }

    /** The number alone, where a heading says the power: `24.4`; one that would vanish has the decimals it takes. */
    public static function bare(float $value, int $decimals, int $power): string
    {
        $shown = $value / 10.0 ** $power;
        while ($decimals < 12 && $power > 0 && $value !== 0.0 && !is_nan($value) && round($shown, $decimals) === 0.0) {
            $decimals++;
        }

        return self::text($shown, $decimals);
    }

    /** `million`; nothing where numbers are written out. */
    public static function word(int $power): string
    {
        return self::WORDS[$power] ?? '';
    }

    /** A whole number of things, as sentences have it: `1,234`. */
    public static function count(int|float $number): string
    {
        return Notation::of(number_format($number));
    }

    /** Without the zeros that its decimals end on. */
    public static function trimmed(float $value, int $decimals): string
    {
        $sign = $value < 0 && strpbrk(number_format(-$value, $decimals), '123456789') !== false ? '−' : '';

        return $sign . Notation::trimmed(number_format(abs($value), $decimals));
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

    /**
     * Decimals that tell neighbours apart: about five steps in the middle half of the values, of few in their range.
     *
     * @param list<float> $values
     */
    public static function telling(array $values): int
    {
        sort($values);
        $count = count($values);
        if ($count < 2) {
            return 0;
        }
        $quarter = $count < self::FEW ? 0 : intdiv($count, 4);
        $half = $values[$count - 1 - $quarter] - $values[$quarter];
        $step = $half > 0.0 && $quarter > 0 ? $half / 2.5 : ($values[$count - 1] - $values[0]) / 5.0;

        return $step > 0.0 && is_finite($step) ? max(0, min(8, (int) ceil(-log10($step) - 1e-9))) : 0;
    }

    /**
     * Decimals that some values have themselves, as a file wrote them; at most the given number.
     *
     * @param iterable<float> $values
     */
    public static function carried(iterable $values, int $most): int
    {
        $decimals = 0;
        foreach ($values as $value) {
            while ($decimals < $most && !is_nan($value) && round($value, $decimals) !== $value) {
                $decimals++;
            }
            if ($decimals >= $most) {
                break;
            }
        }

        return $decimals;
    }

    /**
     * A number as a person types it: `98,5`, `1,234.5`, `1 234,5`, `−3`, in the digits of any script.
     *
     * The last of two kinds of marks is the decimal one. A single comma before three digits marks thousands, as this
     * program writes them, unless the number begins with 0.
     *
     * @return float|null null where it is no number, or too large for one
     */
    public static function read(string $text): ?float
    {
        $text = str_replace(
            ['−', '٫', '٬', "\u{00A0}", "\u{202F}", ' ', "'", '’'],
            ['-', '.', ''],
            self::asciiDigits(trim($text)),
        );
        $decimal = self::decimalMark($text);
        $thousands = $decimal === '' ? '[.,]' : ($decimal === ',' ? '\.' : ',');
        $rest = $decimal === '' ? '(?!)' : preg_quote($decimal, '/') . '\d+';
        $whole = "(?:\\d+|[1-9]\\d{0,2}(?:{$thousands}\\d{3})+)";
        if (preg_match("/^[-+]?(?:{$whole}(?:{$rest})?|{$rest})(?:e[-+]?\\d+)?$/i", $text) !== 1) {
            return null;
        }
        $number = (float) strtr($text, ['.' => $decimal === '.' ? '.' : '', ',' => $decimal === ',' ? '.' : '']);

        // Nothing below zero is nothing.
        return is_finite($number) ? ($number === 0.0 ? 0.0 : $number) : null;
    }

    /**
     * The numbers of a column, read together: where one cell has a decimal comma, each comma is one.
     *
     * @template K of array-key
     *
     * @param array<K, string> $texts
     * @return array<K, float>|null by the same keys, without those that say that there is none (`n/a`, `–`);
     *     null where a cell is no number, or is a code such as 007
     */
    public static function readColumn(array $texts): ?array
    {
        $given = array_filter(
            array_map(static fn(string $t): string => rtrim(trim($t), "% \u{00A0}\u{202F}"), $texts),
            static fn(string $t): bool => preg_match(self::NOTHING, $t) !== 1,
        );
        $marks = array_map(static fn(string $t): string => self::decimalMark(self::asciiDigits($t)), $given);
        $hasComma = in_array(',', $marks, true);
        $numbers = [];
        foreach ($given as $key => $text) {
            $isBoth = $marks[$key] === '.' && str_contains($text, ',');
            $isCode = preg_match('/^0\d/', $text) === 1;
            $number = self::read($hasComma ? strtr($text, ['.' => '', ',' => '.']) : $text);
            if ($number === null || $isCode || ($hasComma && $isBoth)) {
                return null;
            }
            $numbers[$key] = $number;
        }

        return $numbers;
    }

    /** The mark of the decimals in a number, or nothing where it has none. */
    private static function decimalMark(string $text): string
    {
        [$commas, $points] = [substr_count($text, ','), substr_count($text, '.')];

        return match (true) {
            $commas > 0 && $points > 0 => strrpos($text, ',') > strrpos($text, '.') ? ',' : '.',
            $commas + $points !== 1 => '',
            $points === 1 => '.',
            default => preg_match('/^[-+]?[1-9]\d{0,2},\d{3}$/', $text) === 1 ? '' : ',',
        };
    }

    /** With as many decimals as it has, at most ten, and no marks for thousands. */
    public static function plain(float $value): string
    {
        return rtrim(rtrim(number_format($value, 10, '.', ''), '0'), '.');
    }

    /** The same text with the digits of every script as those of ASCII. */
    public static function asciiDigits(string $text): string
    {
        return preg_match('/[^\x00-\x7F]/', $text) !== 1
            ? $text
            : (string) preg_replace_callback(
                '/\p{Nd}/u',
                static fn(array $m): string => (string) IntlChar::charDigitValue($m[0]),
                $text,
            );
    }

    public static function ordinal(int $number): string
    {
        $ending = $number % 100 >= 11 && $number % 100 <= 13 ? 'th' : ['th', 'st', 'nd', 'rd'][$number % 10] ?? 'th';

        return $number . $ending;
    }
}
