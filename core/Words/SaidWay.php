<?php

declare(strict_types=1);

namespace DuskRail\Words;

/** Which way the words before a number say that it went. */
final class SaidWay
{
    /** Words before a change that say which way it went; the number then is without its sign. */
    private const DOWN = [
        ...['down', 'fell', 'fallen', 'falls', 'falling', 'cut', 'lost', 'lower', 'less', 'dropped', 'drops'],
        ...['declined', 'declines', 'reduced', 'decreased', 'decreases', 'shrank', 'shrunk', 'sank', 'sunk'],
    ];

    private const UP = [
        ...['up', 'rose', 'risen', 'rises', 'rising', 'gained', 'grew', 'grown', 'grows', 'higher', 'more'],
        ...['increased', 'increases', 'climbed', 'climbs'],
    ];

    /** Words that leave it open which way a change went. */
    private const EITHER = ['changed', 'changes', 'moved', 'moves', 'differs', 'change'];

    /** So many characters before a number its direction is looked for. */
    private const REACH = 60;

    /** By the last of them in its sentence: −1, 1 or 0. “Less than a year ago” says nothing of it. */
    public static function before(string $before): int
    {
        preg_match('/[^.;{}]{0,' . self::REACH . '}$/u', $before, $clause);
        $words = preg_replace('/\\b(less|more|lower|higher) than\\b/iu', '', $clause[0] ?? '');
        preg_match_all('/\\p{L}+/u', mb_strtolower((string) $words), $found);
        foreach (array_reverse($found[0]) as $word) {
            if (in_array($word, [...self::DOWN, ...self::UP, ...self::EITHER], true)) {
                return in_array($word, self::DOWN, true) ? -1 : (in_array($word, self::UP, true) ? 1 : 0);
            }
        }

        return 0;
    }
}
