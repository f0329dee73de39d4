<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;

/** Measures that cannot be beside the others, since their units differ at the end of the rail. */
final class LeftOutMeasures implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        if ($comparison->measures->leftOut === []) {
            return null;
        }
        $names = array_map(strval(...), array_keys($comparison->measures->leftOut));
        $few =
            count($names) > 3 ? "{$names[0]}, {$names[1]} and " . (count($names) - 2) . ' more' : implode(', ', $names);

        return Notice::saying(
            'left-out-' . hash('crc32b', implode(',', $names)),
            "{$few} cannot be shown with the other measures. " .
                match (count(preg_grep('/^it is in /', $comparison->measures->leftOut) ?: [])) {
                    0 => 'The details say why.',
                    default => 'Add an index or a change in %, since units differ.',
                },
            implode(
                '; ',
                array_map(
                    static fn(string $name, string $reason): string => "{$name}: {$reason}",
                    $names,
                    $comparison->measures->leftOut,
                ),
            ),
        );
    }
}
