<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** What units are counted per, as one and as many: `person` and `people`, `case closed` and `cases closed`. */
final class Noun
{
    private const IRREGULAR = ['person' => 'people', 'child' => 'children', 'woman' => 'women', 'man' => 'men'];

    /** What has no plural, units among them. */
    private const UNCOUNTED = [
        ...['min', 'kWh', 'MWh', 'GWh', 'TWh', 'km', 'km²', 'm²', 'm³', 'ha', 'ms', 'fte'],
        ...['staff', 'series', 'population', 'livestock', 'cattle', 'poultry', 'freight', 'water'],
    ];

    /** A noun and what is said of it after it: `appeals decided`, `people in work`, `tonnes of waste`. */
    private const WITH_MORE = '/^(\p{L}{3,})( (?:\p{L}+(?:ed|en|ing)|(?:of|in|with|at|on|under|over|aged|per) .+))$/u';

    public static function singular(string $noun): string
    {
        $irregular = array_search($noun, self::IRREGULAR, true);

        return match (true) {
            $irregular !== false => $irregular,
            self::isUncounted($noun), strlen($noun) < 4 => $noun,
            preg_match(self::WITH_MORE, $noun, $m) === 1 => self::singular($m[1]) . $m[2],
            str_ends_with($noun, 'ies') => substr($noun, 0, -3) . 'y',
            preg_match('/(ss|x|ch|sh)es$/', $noun) === 1 => substr($noun, 0, -2),
            str_ends_with($noun, 'ss') => $noun,
            str_ends_with($noun, 's') => substr($noun, 0, -1),
            default => $noun,
        };
    }

    public static function plural(string $noun): string
    {
        return match (true) {
            isset(self::IRREGULAR[$noun]) => self::IRREGULAR[$noun],
            self::isUncounted($noun), strlen($noun) < 3 => $noun,
            preg_match(self::WITH_MORE, $noun, $m) === 1 => self::plural($m[1]) . $m[2],
            preg_match('/[^aeiou]y$/', $noun) === 1 => substr($noun, 0, -1) . 'ies',
            preg_match('/(s|x|ch|sh)$/', $noun) === 1 => "{$noun}es",
            default => "{$noun}s",
        };
    }

    private static function isUncounted(string $noun): bool
    {
        return in_array($noun, self::UNCOUNTED, true);
    }
}
