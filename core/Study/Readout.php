<?php

declare(strict_types=1);

namespace DuskRail\Study;

use DuskRail\Data\Numerals;
use DuskRail\Data\Sort;

/** What is said of the points of a line: its value, its change on a year before, and its place among the others. */
final class Readout
{
    /**
     * @return array{name: string, points: array<int, array{string, string, string}>} of each position shown that has a
     *     value: the period, the value with its unit, and the rest of what there is to say
     */
    public static function along(Comparison $comparison, Line $line): array
    {
        $points = [];
        for ($i = $comparison->from; $i <= $comparison->to; $i++) {
            if (! is_nan($line->values[$i])) {
                $points[$i] = self::at($comparison, $line, $i);
            }
        }

        return ['name' => $line->name, 'points' => $points];
    }

    /** @return array{string, string, string} */
    private static function at(Comparison $comparison, Line $line, int $position): array
    {
        $unit = $comparison->run->table()->unit;
        $value = $line->values[$position];
        // One decimal more than the labels: whoever points at a spot wants to know it better.
        $decimals = $comparison->decimals + 1;
        $rest = [];
        $back = $comparison->axis->frequency->perYear();
        if ($back !== null && $back > 1 && $position >= $back && ! is_nan($line->values[$position - $back])) {
            $rest[] = Numerals::signed($value - $line->values[$position - $back], $decimals).' on a year before';
        }
        $rest[] = self::place($comparison, $line, $position);

        return [
            $comparison->axis->period($position)->label(),
            trim(Numerals::text($value, $decimals).($unit->sort === Sort::Index ? '' : " {$unit->text()}")),
            implode(' · ', array_filter($rest)),
        ];
    }

    private static function place(Comparison $comparison, Line $line, int $position): string
    {
        $lower = $higher = 0;
        foreach ($comparison->present() as $other) {
            $lower += $other->values[$position] < $line->values[$position] ? 1 : 0;
            $higher += $other->values[$position] > $line->values[$position] ? 1 : 0;
        }
        $of = count(array_filter($comparison->present(), static fn(Line $l): bool => ! is_nan($l->values[$position])));

        return match (true) {
            $of < 2 || $line->state === LineState::Off => '',
            $lower === 0 => "lowest of {$of}",
            $higher === 0 => "highest of {$of}",
            $lower < $higher => self::ordinal($lower + 1)." lowest of {$of}",
            default => self::ordinal($higher + 1)." highest of {$of}",
        };
    }

    private static function ordinal(int $number): string
    {
        $ending = $number % 100 >= 11 && $number % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][$number % 10] ?? 'th');

        return $number.$ending;
    }
}
