<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\ValuesByHand;
use DuskRail\Outcome\Comparison;

/** A target, a limit or a reference line was typed in a unit that the rail has left; it is kept and not used. */
final class ValuesOfAnotherUnit implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $unit = $comparison->unitOfValues();
        $document = $comparison->document;
        $foreign = ValuesByHand::foreign($document, $unit);
        if ($foreign === []) {
            return null;
        }
        $now = ValuesByHand::unitInWords($unit);
        $byUnit = [];
        foreach ($foreign as $key => $value) {
            $byUnit[ValuesByHand::unitInWords($document->units[$key])][] = $value;
        }
        $clauses = [];
        foreach ($byUnit as $own => $values) {
            $clauses[] =
                implode(', ', $values) .
                (count($values) === 1 ? ' was typed ' : ' were typed ') .
                match ((string) $own) {
                    $now => 'for another measure or calculation',
                    '' => 'without a unit',
                    default => "in {$own}",
                };
        }
        $isOne = count($foreign) === 1;

        return Notice::saying(
            'unit-' . hash('crc32b', $unit . implode(' ', array_keys($foreign))),
            ucfirst(implode('; ', $clauses)) .
                ' and ' .
                ($isOne ? 'is' : 'are') .
                ' not used' .
                ($now === '' || isset($byUnit[$now]) ? '.' : ": the unit is now {$now}."),
        )->withRemedy($isOne ? 'Remove it' : 'Remove them', 'drop-values', ['unit' => $unit]);
    }
}
