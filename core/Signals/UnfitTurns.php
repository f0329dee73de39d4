<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\TurnsPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\LineTurns;

/** Turns that are asked for where there are none. */
final class UnfitTurns implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        if (
            $comparison->study->view !== 'lines' ||
            $comparison->study->part(TurnsPart::class)->turns !== 'shown' ||
            LineTurns::shown($comparison) !== []
        ) {
            return null;
        }
        $line = $comparison->focus()[0] ?? null;
        $turns = $line === null ? null : $comparison->courses->turns($line);

        return Notice::saying(
            'no-turns',
            match (true) {
                $line === null => 'Turns are shown of lines in focus. Put a line in focus.',
                $turns === null => "No turns are shown: {$line->name} is a running total or has no current value.",
                default => "No turns are shown of {$line->name}: {$turns->turns->reason}.",
            },
        )->withRemedy('Hide turns', 'set', ['part' => 'turns', 'settings' => ['turns' => 'hidden']]);
    }
}
