<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Variation;

/**
 * That the first line in focus has left its ordinary variation, where that is shown and it has not come back: beyond a
 * limit throughout, or else on one side of the mean for long. Of seasons and overlapping windows nothing is said.
 */
final class BeyondOrdinary implements ClaimFinder
{
    public function claims(Comparison $comparison): array
    {
        $variation = $comparison->isSmoothed() ? null : Variation::of($comparison);
        if ($variation === null || Variation::isSeasonal($comparison, $variation->line)) {
            return [];
        }
        $outside = $variation->outsideSince();
        $run = $variation->runSince();
        $since = $outside ?? ($run[0] ?? null);
        if ($since === null) {
            return [];
        }
        $chart = $variation->chart;
        $side = $variation->line->latest() < $chart->middle ? 'below' : 'above';
        $when = $comparison->axis->period($since)->label();

        return [
            Claim::of(
                $outside !== null
                    ? "{$variation->line->name} has been {$side} its ordinary variation since {$when}"
                    : "{$variation->line->name} has been {$side} the mean of its baseline since {$when}, for " .
                        ($run[1] ?? 0) . ' values in a row',
                $outside !== null ? 0.75 : 0.6,
                "Mean of the baseline {$comparison->format($chart->middle)}, limits " .
                    "{$comparison->format($chart->lower)} and {$comparison->format($chart->upper)}; now " .
                    "{$comparison->format($variation->line->latest())}.",
            ),
        ];
    }
}
