<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\ViewCatalogue;
use DuskRail\Outcome\Comparison;
use DuskRail\Views\Views;

/** Limits of the axis that were set in another view have been let go; what reaches beyond those set here is cut off. */
final class AxisLimits implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $study = $comparison->study;
        $view = Views::of($study);
        $axis = $study->part(AxisPart::class);
        if (!$axis->hasLimits() || !$view->readsAlongLines()) {
            return null;
        }
        $limits = trim(
            ($axis->low === null ? '' : "from {$comparison->format($axis->low)} ") .
                ($axis->high === null ? '' : "to {$comparison->format($axis->high)}"),
        );
        if ($axis->view !== $study->view || $view->isSplit($study)) {
            $where = isset(ViewCatalogue::all()[$axis->view])
                ? ViewCatalogue::named($axis->view)->title()
                : 'another view';

            return Notice::saying(
                "limits-{$axis->view}",
                "The axis limits set in {$where} ({$limits}) are not used here.",
            )->withRemedy('Remove limits', 'set', ['part' => 'axis', 'settings' => ['low' => '', 'high' => '']]);
        }
        [$low, $high] = $comparison->extremes();
        $beyond = $low < ($axis->low ?? -INF) ? $low : ($high > ($axis->high ?? INF) ? $high : null);

        return $beyond === null
            ? null
            : Notice::saying(
                'limits-cut',
                "The axis is limited {$limits}, but values reach {$comparison->format($beyond)}.",
            )->withRemedy('Use automatic limits', 'set', ['part' => 'axis', 'settings' => ['low' => '', 'high' => '']]);
    }
}
