<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Rail\RunStep;
use DuskRail\Rail\Stops\PerDenominator;

/** A mean of ratios counts the small as much as the large; what all come to together is the ratio of their sums. */
final class MeanOfRatios implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $study = $comparison->study;
        $divided = array_filter(
            $comparison->run->inUse(),
            static fn(RunStep $step): bool => $step->placed->stop instanceof PerDenominator,
        );
        if (
            $study->part(PeersPart::class)->line !== PeerLine::Mean ||
            $divided === [] ||
            $comparison->peerLine === []
        ) {
            return null;
        }
        $peers = $study->part(PeersPart::class);
        $together = Comparison::of(
            $study->withPart($peers->with(['line' => PeerLine::Pooled])),
            $comparison->data->source(),
        )->peerLine;
        $last = Line::lastOf($comparison->peerLine, $comparison->from, $comparison->reference);
        if ($last === null || is_nan($together[$last] ?? NAN)) {
            return null;
        }

        return Notice::saying(
            'mean-of-ratios',
            'The peer mean gives all lines the same weight: ' .
                "{$comparison->format($comparison->peerLine[$last])}. The " .
                "ratio of sums is {$comparison->format($together[$last])}.",
        )->withRemedy('Use the ratio of sums', 'set', [
            'part' => 'peers',
            'settings' => ['line' => PeerLine::Pooled->value],
        ]);
    }
}
