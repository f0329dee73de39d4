<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

/** Lists names in a sentence. */
final class Named
{
    /** @param list<string> $names */
    public static function few(array $names): string
    {
        $count = count($names);
        if ($count > 3) {
            return "{$names[0]}, {$names[1]} and " . ($count - 2) . ' more';
        }
        $last = (string) array_pop($names);

        return $names === [] ? $last : implode(', ', $names) . " and {$last}";
    }
}
