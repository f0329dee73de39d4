<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Views\Views;

/** The vertical axis does not start at zero. That is fair for lines, but the reader must be able to see both. */
final class CutAxis implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $study = $comparison->study;
        if (
            // Of differences and rates of change zero is no bottom.
            !$comparison->run->table()->nature->hasZero() ||
            !Views::of($study)->uses(AxisPart::class) ||
            Views::of($study)->isSplit($study) ||
            $study->part(AxisPart::class)->log
        ) {
            return null;
        }
        if ($study->part(AxisPart::class)->start === 'both') {
            return Notice::saying('both-axes', 'The chart is shown with both axes.')->withRemedy(
                'Fit to the data only',
                'set',
                [
                    'part' => 'axis',
                    'settings' => ['start' => 'cut'],
                ],
            );
        }
        if ($comparison->study->part(AxisPart::class)->start === 'zero') {
            return Notice::saying('whole-axis', 'The axis starts at zero.')->withRemedy('Fit to the data', 'set', [
                'part' => 'axis',
                'settings' => ['start' => 'cut'],
            ]);
        }

        $limit = $study->part(AxisPart::class)->lowIn($study->view);
        $start = match (true) {
            $limit !== null => $limit > 0.0 ? 'at ' . Numerals::trimmed($limit, $comparison->fineDecimals()) : '',
            $comparison->isCut() => 'near ' . $comparison->format($comparison->lowest()),
            default => '',
        };

        return $start === ''
            ? null
            : Notice::saying('cut-axis', "The axis does not start at zero; it starts {$start}.")->withRemedy(
                'Show both',
                'set',
                ['part' => 'axis', 'settings' => ['start' => 'both']],
            );
    }
}
