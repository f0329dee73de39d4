<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\VariationPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Variation;
use DuskRail\Statistics\IndividualsChart;

/** Limits of ordinary variation that cannot be calculated, or mean nothing. */
final class UnfitVariation implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $part = $comparison->study->part(VariationPart::class);
        if ($part->limits !== 'shown' || $comparison->study->view !== 'lines') {
            return null;
        }
        $hide = ['part' => 'variation', 'settings' => ['limits' => 'hidden']];

        return match (true) {
            Variation::of($comparison) === null => Notice::saying(
                "no-variation-{$part->baseline}",
                'Limits of ordinary variation need a line in focus with at least ' .
                    IndividualsChart::LEAST .
                    ' different values in the baseline.',
            )->withRemedy('Hide the limits', 'set', $hide),
            $comparison->isSmoothed() => Notice::saying(
                'smoothed-variation',
                'Rolling values overlap, so they vary less from one to the next, and the limits are too narrow.',
            )->withRemedy('Hide the limits', 'set', $hide),
            $this->isSeasonal($comparison) => Notice::saying(
                'seasonal-variation',
                'The values swing with the seasons, which the limits of ordinary variation do not allow for.',
            )->withRemedy('Adjust for seasons', 'add-stop', ['stop' => 'seasonal']),
            default => null,
        };
    }

    private function isSeasonal(Comparison $comparison): bool
    {
        $line = $comparison->focus()[0] ?? null;

        return $line !== null && Variation::isSeasonal($comparison, $line);
    }
}
