<?php

declare(strict_types=1);

namespace DuskRail\Rail\Formula;

/** A formula in which measures have other names now. */
final class Renaming
{
    /**
     * All are put in at once, so that two can change places; where one name is part of another, the longer one counts.
     *
     * @param array<array-key, string> $names new name by old one, of all measures, also of those that keep theirs
     */
    public static function in(string $formula, array $names): string
    {
        $new = [];
        foreach ($names as $old => $name) {
            $new[mb_strtolower((string) $old)] = $name;
        }
        $patterns = array_map(static fn(int|string $old): string => preg_quote((string) $old, '/'), array_keys($new));
        usort($patterns, static fn(string $a, string $b): int => strlen($b) <=> strlen($a));

        return (string) preg_replace_callback(
            '/(?<![\p{L}\p{N}])(?:' . implode('|', $patterns) . ')(?![\p{L}\p{N}])/iu',
            static fn(array $found): string => $new[mb_strtolower($found[0])] ?? $found[0],
            $formula,
        );
    }
}
