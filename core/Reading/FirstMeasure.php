<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** The measure that a first look is at: no number of a list, and nothing that others are divided by. */
final class FirstMeasure
{
    private const NONE =
        '/^(.* )?(id|code|nr|no|number|lat|lon|lng|latitude|longitude|order|row|index|objectid|sort|rank|x|y)' . '$/i';

    private const SIZES =
        '/\b(population|people|inhabitants|households|area|einwohner|bevölkerung|fläche|residents)' . '\b/iu';

    /**
     * @param array<array-key, array{string, string}> $measures name and unit of each
     * @return array-key|null key of the one
     */
    public static function of(array $measures): int|string|null
    {
        $best = null;
        $most = -100;
        foreach ($measures as $key => [$name, $unit]) {
            $words = Vocabulary::words($name);
            $points =
                (preg_match(self::NONE, $words) === 1 ? -10 : 0) +
                (preg_match(self::SIZES, "{$words} {$unit}") === 1 ? -3 : 0) +
                ($unit === '' ? 0 : 1);
            if ($points > $most) {
                [$best, $most] = [$key, $points];
            }
        }

        return $best;
    }
}
