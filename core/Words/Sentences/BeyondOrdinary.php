<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Variation;

/** That the first line in focus has left its ordinary variation, where that is shown and it has not come back. */
final class BeyondOrdinary implements ClaimFinder
{
    public function claims(Comparison $comparison): array
    {
        $variation = Variation::of($comparison);
        $since = $variation?->since();
        if ($variation === null || $since === null) {
            return [];
        }
        $chart = $variation->chart;
        $side = $variation->line->latest() < $chart->middle ? 'below' : 'above';

        return [
            Claim::of(
                "{$variation->line->name} has been {$side} its ordinary variation since " .
                    $comparison->axis->period($since)->label(),
                0.75,
                "Mean of the baseline {$comparison->format($chart->middle)}, limits " .
                    "{$comparison->format($chart->lower)} and {$comparison->format($chart->upper)}; now " .
                    "{$comparison->format($variation->line->latest())}.",
            ),
        ];
    }
}
