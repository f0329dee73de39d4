<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\LeftOut;

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

        $ofOtherUnit = array_filter(
            $comparison->measures->leftOut,
            static fn(LeftOut $one): bool => $one->isOfOtherUnit,
        );

        return Notice::saying(
            'left-out-' . hash('crc32b', implode(',', $names)),
            "{$few} cannot be shown with the other measures. " .
                ($ofOtherUnit === [] ? 'The details say why.' : 'Add an index or a change in %, since units differ.'),
            implode(
                '; ',
                array_map(
                    static fn(string $name, LeftOut $one): string => "{$name}: {$one->reason}",
                    $names,
                    $comparison->measures->leftOut,
                ),
            ),
        );
    }
}
