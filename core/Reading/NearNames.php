<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Finds for a name that is not known the one that is meant: `Veldmere Water Co.` for `Veldmere Water`. */
final class NearNames
{
    /** What names of organisations may end in or leave out without being another; common practice, no source. */
    private const IDLE = [
        'the',
        'of',
        'and',
        'co',
        'company',
        'ltd',
        'limited',
        'plc',
        'inc',
        'llc',
        'gmbh',
        'ag',
        'sa',
        'corp',
        'corporation',
    ];

    /** How alike two names must be, 0 to 1. */
    private const ENOUGH = 0.74;

    /**
     * @param list<string> $known
     * @return string|null the most alike of the known names, if it is alike enough
     */
    public static function of(string $name, array $known): ?string
    {
        $best = null;
        $most = self::ENOUGH;
        foreach ($known as $one) {
            $alike = self::likeness($name, $one);
            if ($alike > $most) {
                [$best, $most] = [$one, $alike];
            }
        }

        return $best;
    }

    /**
     * 1 for names that differ in idle words, letter case and marks alone, less the more letters would have to be
     * changed.
     */
    public static function likeness(string $one, string $two): float
    {
        [$a, $b] = [self::words($one), self::words($two)];
        if ($a === [] || $b === []) {
            return 0.0;
        }
        if ($a === $b) {
            return 1.0;
        }
        // All words of the shorter one in the longer one, as in a name with its place added.
        $shorter = count($a) < count($b) ? $a : $b;
        $longer = $shorter === $a ? $b : $a;
        $within = array_diff($shorter, $longer) === [] && strlen(implode($shorter)) >= 4 ? 0.85 : 0.0;
        [$x, $y] = [implode(' ', $a), implode(' ', $b)];
        $longest = max(strlen($x), strlen($y));

        return max($within, $longest > 200 ? 0.0 : 1.0 - levenshtein($x, $y) / $longest);
    }

    /** @return list<string> */
    private static function words(string $name): array
    {
        $plain = mb_strtolower((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', $name));

        return array_values(
            array_diff(array_filter(explode(' ', $plain), static fn(string $w): bool => $w !== ''), self::IDLE),
        );
    }
}
