<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\ValueType;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Outcome\Comparison;

/** What an axis shows: the measure, what was done to it, and the unit unless that has been said. */
final class AxisName
{
    /** @param string $unit what is in place of the unit, where a view makes another of it */
    public static function of(Comparison $comparison, string $unit = ''): string
    {
        $text =
            $comparison->study->part(LinesPart::class)->across === 'measures'
                ? ($comparison->subject()->name ?? '') . ': several measures'
                : $comparison->measure->name;
        $parts = [];
        foreach ($comparison->run->inUse() as $step) {
            $phrase = $step->placed->stop->phrase($step->arriving, $comparison->data);
            if (str_starts_with($phrase, 'per ') && $parts === []) {
                $text .= " {$phrase}";
            } else {
                $parts[] = $phrase;
            }
        }
        $own = $comparison->run->table()->unit;
        // An index has no unit, and that of a rank is what the calculation is called.
        $isSaid = $own->sort === ValueType::Index || ($own->sort === ValueType::Rank && $parts !== []);
        $named = $unit === '' && !$isSaid ? $own->text() : $unit;

        return implode(
            ', ',
            array_filter(
                [$text, $comparison->cellInWords(), ...$parts, $named],
                static fn(string $part): bool => $part !== '',
            ),
        );
    }
}
