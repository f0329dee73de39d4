<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** A number that is written for no value, as -999 does where nothing else is below zero. Common practice, no source. */
final class Sentinel
{
    private const NUMBERS = '/^(?:-9{2,6}|9{3,6})(?:[.,]0+)?$/';

    /** A large one must be so many times larger than all else. */
    private const LARGER = 5.0;

    /**
     * @param list<string> $cells of the columns of values
     * @return string how it is written; nothing where there is none
     */
    public static function in(array $cells, NumberNotation $notation): string
    {
        $candidates = $others = [];
        foreach ($cells as $cell) {
            $cell = trim($cell);
            $value = $notation->read($cell);
            if ($value === null || is_nan($value)) {
                continue;
            }
            if (preg_match(self::NUMBERS, str_replace('−', '-', $cell)) === 1) {
                $candidates[$cell] = $value;
            } else {
                $others[] = $value;
            }
        }
        // Two that look like one are values.
        if (count($candidates) !== 1 || count($others) < 3) {
            return '';
        }
        $value = reset($candidates);
        $isFar = $value < 0.0
            ? min($others) >= 0.0
            : max(array_map(abs(...), $others)) * self::LARGER < $value && self::comesAgain($cells, $value, $notation);

        return $isFar ? (string) array_key_first($candidates) : '';
    }

    /**
     * Whether it is there more than once: a single large number may be a value.
     *
     * @param list<string> $cells
     */
    private static function comesAgain(array $cells, float $value, NumberNotation $notation): bool
    {
        return count(array_filter($cells, static fn(string $c): bool => $notation->read(trim($c)) === $value)) > 1;
    }
}
