<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** What a published rate is per, as far as its name or unit tells: `Leakage per connection`, `kg/person`. */
final class Divisor
{
    /**
     * @param iterable<Measure> $others measures of the same data set
     * @return string key of one of them, or nothing where none is named
     */
    public static function guess(string $name, string $unit, iterable $others): string
    {
        $named = [];
        foreach ([$name, $unit] as $text) {
            if (preg_match('/(?:\bper\s+|\/\s*)(?:[\d.,]+\s+)?(\p{L}[\p{L} ]*)$/iu', trim($text), $m) === 1) {
                $named[] = self::plain($m[1]);
            }
        }
        foreach ($others as $other) {
            $called = [self::plain($other->name), self::plain($other->unit->amount)];
            if ($other->canDivide() && array_intersect($named, $called) !== []) {
                return $other->key;
            }
        }

        return '';
    }

    private static function plain(string $text): string
    {
        $word = Noun::singular(mb_strtolower(trim($text)));

        return in_array($word, ['people', 'head', 'capita', 'inhabitant', 'population', 'resident'], true)
            ? 'person'
            : $word;
    }
}
