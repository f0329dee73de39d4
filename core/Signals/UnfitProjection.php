<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\ProjectionPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Outlooks;
use DuskRail\Outcome\Prospect;

/** A projection that is asked for where there is none, or that ends before the date of its target. */
final class UnfitProjection implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $isAsked = $comparison->study->part(ProjectionPart::class)->projection === 'shown';
        if (!$isAsked || $comparison->study->view !== 'lines') {
            return null;
        }
        $line = $comparison->focus()[0] ?? null;
        $outlook = $line === null ? null : $comparison->outlooks->of($line);
        if (Outlooks::shown($comparison) === []) {
            return Notice::saying(
                'no-projection',
                match (true) {
                    $line === null => 'Projections are shown of lines in focus. Put a line in focus.',
                    $outlook === null => "No projection is shown: {$line->name} has no current value.",
                    default => "{$line->name} is not projected: {$outlook->reason}.",
                },
            )->withRemedy('Hide projection', 'set', [
                'part' => 'projection',
                'settings' => ['projection' => 'hidden'],
            ]);
        }

        return $outlook?->prospect === Prospect::TooFar && $outlook->path !== null
            ? Notice::saying(
                'far-target',
                'The projection ends in ' .
                    $comparison->axis->period($outlook->path->end())->label() .
                    ", before the target {$comparison->study->part(PeersPart::class)->target->code()}: a line is " .
                    'projected no further than a quarter of what is known of it.',
            )
            : null;
    }
}
