<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/**
 * A word or letter after a number that multiplies it: `1.2k`, `3M`, `$900m`, `24 million`; common practice, no source.
 * A single `m` or `b` may be metres or a flag: it multiplies money, and where others of its column multiply.
 */
final class Multiplier
{
    private const WORDS = [
        'k' => 1e3,
        'thousand' => 1e3,
        'thsd' => 1e3,
        'tsd' => 1e3,
        'mn' => 1e6,
        'mln' => 1e6,
        'mio' => 1e6,
        'million' => 1e6,
        'millions' => 1e6,
        'bn' => 1e9,
        'bln' => 1e9,
        'mrd' => 1e9,
        'billion' => 1e9,
        'billions' => 1e9,
        'tn' => 1e12,
        'trn' => 1e12,
        'trillion' => 1e12,
    ];

    private const OF_MONEY = ['m' => 1e6, 'b' => 1e9, 't' => 1e12];

    private const BESIDE_OTHERS = ['m' => 1e6, 'b' => 1e9];

    /** Whether what is after a number multiplies it, whatever is before it and in other cells. */
    public static function isOne(string $word): bool
    {
        return $word === 'M' || isset(self::WORDS[rtrim(mb_strtolower($word), '.')]);
    }

    /**
     * What is after a number, taken apart.
     *
     * @param bool $isMoney whether a sign of money is before the number
     * @param bool $besideOthers whether other values of its column have letters that multiply
     * @return array{float, string} the factor, 1 for none, and the unit that is left
     */
    public static function in(string $after, bool $isMoney, bool $besideOthers): array
    {
        [$word, $rest] = [...explode(' ', trim($after), 2), ''];
        $letters = ($isMoney ? self::OF_MONEY : []) + ($besideOthers || $word === 'M' ? self::BESIDE_OTHERS : []);
        $word = rtrim(mb_strtolower($word), '.');
        $factor = self::WORDS[$word] ?? ($letters[$word] ?? null);

        return $factor === null ? [1.0, trim($after)] : [$factor, trim($rest)];
    }
}
