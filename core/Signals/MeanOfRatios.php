<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Rail\Stops\PerDenominator;
use DuskRail\Study\Comparison;
use DuskRail\Study\Line;
use DuskRail\Study\Parts\PeerLine;
use DuskRail\Study\Parts\PeersPart;

/** A mean of quotients counts the small as much as the large; what all come to together is the ratio of their sums. */
final class MeanOfRatios implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $study = $comparison->study;
        $divided = array_filter($comparison->run->legs, static fn($leg): bool => $leg->placed->stop instanceof PerDenominator && ! $leg->placed->bypassed && $leg->refusal === null);
        if ($study->peers->line !== PeerLine::Mean || $divided === [] || $comparison->peerLine === []) {
            return null;
        }
        $peers = $study->peers;
        $together = Comparison::of($study->withPart('peers', new PeersPart(PeerLine::Together, $peers->band, $peers->group, $peers->target)), $comparison->data->source())->peerLine;
        $last = Line::lastOf($comparison->peerLine, $comparison->from, $comparison->to);
        if ($last === null || is_nan($together[$last] ?? NAN)) {
            return null;
        }

        return Notice::saying('mean-of-ratios', "The peer mean counts every line alike and comes to {$comparison->format($comparison->peerLine[$last])}; the ratio of their sums is {$comparison->format($together[$last])}.")
            ->mendedBy('Take the ratio of sums', 'set', ['part' => 'peers', 'settings' => ['line' => PeerLine::Together->value]]);
    }
}
