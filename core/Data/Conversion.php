<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** Factors between units as files write them: SI units and their prefixes, volumes, times, words for powers of ten. */
final class Conversion
{
    /** One of each in the first of its kind: litres, seconds, metres, square metres, joules. */
    private const BASES = [
        'l' => ['l', 1.0],
        'litre' => ['l', 1.0],
        'liter' => ['l', 1.0],
        'm³' => ['l', 1e3],
        'cubic metre' => ['l', 1e3],
        'hl' => ['l', 1e2],
        'hm³' => ['l', 1e9],
        'km³' => ['l', 1e12],
        's' => ['s', 1.0],
        'sec' => ['s', 1.0],
        'second' => ['s', 1.0],
        'min' => ['s', 60.0],
        'minute' => ['s', 60.0],
        'h' => ['s', 3600.0],
        'hr' => ['s', 3600.0],
        'hour' => ['s', 3600.0],
        'm' => ['m', 1.0],
        'metre' => ['m', 1.0],
        'mm' => ['m', 1e-3],
        'cm' => ['m', 1e-2],
        'm²' => ['m²', 1.0],
        'ha' => ['m²', 1e4],
        'hectare' => ['m²', 1e4],
        'km²' => ['m²', 1e6],
        'j' => ['j', 1.0],
        'wh' => ['j', 3600.0],
        'tonne' => ['t', 1.0],
        'ton' => ['t', 1.0],
        't' => ['t', 1.0],
        'kg' => ['t', 1e-3],
        'g' => ['t', 1e-6],
    ];

    private const PREFIXES = ['k' => 1e3, 'm' => 1e6, 'g' => 1e9, 't' => 1e12];

    /** Words before a unit; common practice, no source. */
    private const WORDS = [
        'thousand' => 1e3,
        'thousands' => 1e3,
        'million' => 1e6,
        'millions' => 1e6,
        'billion' => 1e9,
        'bn' => 1e9,
        'mio' => 1e6,
        'mn' => 1e6,
        'k' => 1e3,
        "'000" => 1e3,
        '000s' => 1e3,
        '1000' => 1e3,
        '1,000' => 1e3,
    ];

    private const TIMES = ['d' => 'day', 'a' => 'year', 'yr' => 'year', 'y' => 'year', 'wk' => 'week', 'mo' => 'month'];

    /** What a value in one unit is multiplied by to be in another; null where nothing is known that does it. */
    public static function factor(string $from, string $to): ?float
    {
        [$a, $b] = [self::read($from), self::read($to)];

        return $a[0] === $b[0] && $a[2] === $b[2] ? $a[1] / $b[1] : null;
    }

    /** @return array{string, float, list<string>} base, size of one in it, and what it is per */
    private static function read(string $text): array
    {
        $text = strtr(trim($text), ['m3' => 'm³', 'm2' => 'm²', 'm^3' => 'm³', 'm^2' => 'm²']);
        $parts = preg_split('/\s+per\s+|\s*\/\s*/', $text) ?: [''];
        [$base, $size] = self::amount((string) array_shift($parts));
        $per = array_map(
            static fn(string $noun): string => self::TIMES[$noun] ?? Noun::singular(mb_strtolower($noun)),
            $parts,
        );

        return [$base, $size, array_values($per)];
    }

    /** @return array{string, float} */
    private static function amount(string $text): array
    {
        foreach (self::WORDS as $word => $times) {
            $quoted = preg_quote((string) $word, '/');
            // `k€` and `€k`, `thousand m³` and `m³ (thousand)`.
            if (
                preg_match("/^{$quoted}\\s+(.+)$/iu", $text, $m) === 1 ||
                preg_match("/^(.+?)\\s+[(]?{$quoted}[)]?$/iu", $text, $m) === 1 ||
                preg_match("/^{$quoted}(\\p{Sc})$/iu", $text, $m) === 1 ||
                preg_match("/^(\\p{Sc})\\s?{$quoted}$/iu", $text, $m) === 1
            ) {
                [$base, $size] = self::amount($m[1]);

                return [$base, $size * $times];
            }
        }
        if (preg_match('/^(\p{Sc})m$|^m(\p{Sc})$/iu', $text, $m) === 1) {
            return [implode('', array_slice($m, 1)), 1e6];
        }
        $own = Noun::singular(mb_strtolower($text));
        if (isset(self::BASES[$own])) {
            return self::BASES[$own];
        }
        // Capitals tell mega from milli; of litres, watts and grams both are written.
        $prefix = mb_strtolower($text[0] ?? '');
        $bare = mb_strtolower(substr($text, 1));
        $isMega = $prefix !== 'm' || ($text[0] ?? '') === 'M';
        if (isset(self::PREFIXES[$prefix]) && $isMega && in_array($bare, ['l', 'wh', 'j', 't', 'w', 'm'], true)) {
            [$base, $size] = self::BASES[$bare] ?? [$bare, 1.0];

            return [$base, $size * self::PREFIXES[$prefix]];
        }

        return [$own, 1.0];
    }
}
