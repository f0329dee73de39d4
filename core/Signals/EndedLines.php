<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\Members;
use DuskRail\Outcome\Comparison;

/** A line that ends well before the others: the entity may have been merged or renamed. */
final class EndedLines implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $year = Members::patience($comparison->axis->frequency);
        foreach ($comparison->hasOneNow() ? $comparison->present() : [] as $line) {
            if ($line->last !== null && $line->last < $comparison->reference - $year) {
                $period = $comparison->axis->period($line->last)->label();
                $note = $comparison->data->entities()[$line->key]->note ?? '';

                return Notice::saying(
                    "ended-{$line->key}",
                    "{$line->name} ends in {$period}" . ($note === '' ? '. Was it merged or renamed?' : ": {$note}."),
                )->withRemedy('Hide it', 'state', ['entity' => $line->key, 'state' => 'off']);
            }
        }

        return null;
    }
}
