<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Numerals;
use DuskRail\Time\Period;

/** How much a table may hold, so that no small file keeps the program busy for long. */
final class Limits
{
    public const ENTITIES = 100_000;

    public const MEASURES = 1_000;

    /** Of one measure: a hundred years of days and some. */
    public const PERIODS = 40_000;

    public const NAME = 300;

    /** Of categories, over all breakdowns. */
    public const COMBINATIONS = 10_000;

    /** @throws NotATable when there is more, with what is most likely the cause */
    public static function hold(Observations $observations): void
    {
        $entities = count($observations->entities);
        if ($entities > self::ENTITIES) {
            throw NotATable::because(
                'The table names ' .
                    Numerals::count($entities) .
                    ' entities; ' .
                    Numerals::count(self::ENTITIES) .
                    ' can be compared.',
                'Check which column is the entity.',
            );
        }
        $measures = count($observations->measures);
        if ($measures > self::MEASURES) {
            throw NotATable::because(
                'The table holds ' .
                    Numerals::count($measures) .
                    ' measures; ' .
                    Numerals::count(self::MEASURES) .
                    ' can be read at once.',
                'Check the table layout, or upload it in parts.',
            );
        }
        // The first has none.
        $combinations = count($observations->metadata->combinations) - 1;
        if ($combinations > self::COMBINATIONS) {
            throw NotATable::because(
                'The breakdowns have ' .
                    Numerals::count($combinations) .
                    ' combinations; ' .
                    Numerals::count(self::COMBINATIONS) .
                    ' can be kept.',
                'Use one of them as the entity, or exclude one.',
            );
        }
        $names = [
            ...$observations->entities,
            ...array_column($observations->measures, 'name'),
            ...array_merge([], ...$observations->metadata->combinations),
        ];
        foreach ($names as $name) {
            if (mb_strlen($name) > self::NAME) {
                throw NotATable::because(
                    'A name has ' .
                        Numerals::count(mb_strlen($name)) .
                        ' characters: “' .
                        mb_strimwidth($name, 0, 60, '…') .
                        '”. At most ' .
                        self::NAME .
                        ' can be shown.',
                    'Check which columns are entity and measure.',
                );
            }
        }
        foreach ($observations->spans() as $measure => [$first, $last]) {
            self::span(
                $observations->measures[$measure]->name,
                Period::at($observations->frequencyOf($measure), $first),
                Period::at($observations->frequencyOf($measure), $last),
            );
        }
    }

    /** @throws NotATable when there are too many periods from the first to the last */
    public static function span(string $measure, Period $first, Period $last): void
    {
        $count = $last->ordinal - $first->ordinal + 1;
        if ($count > self::PERIODS) {
            throw NotATable::because(
                "The values of {$measure} would cover {$first->label()} to {$last->label()}: " .
                    Numerals::count($count) .
                    ' periods, where ' .
                    Numerals::count(self::PERIODS) .
                    ' can be shown.',
                'Check the first and the last date.',
            );
        }
    }
}
