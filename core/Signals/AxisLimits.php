<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Study\Comparison;
use DuskRail\Study\View;

/** Limits of the axis that were set in another view have been let go; what reaches beyond those set here is cut off. */
final class AxisLimits implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $study = $comparison->study;
        $axis = $study->axis;
        if (! $axis->hasLimits() || ! in_array($study->view, [View::Lines, View::Overlay, View::Stack], true)) {
            return null;
        }
        $said = trim(($axis->low === null ? '' : "from {$comparison->format($axis->low)} ").($axis->high === null ? '' : "to {$comparison->format($axis->high)}"));
        if ($axis->view !== $study->view->value || $study->isSplit()) {
            $where = View::tryFrom($axis->view)?->label() ?? 'another view';

            return Notice::saying("limits-{$axis->view}", "The axis limits set in {$where} ({$said}) do not hold here.")->mendedBy('Forget them', 'set', ['part' => 'axis', 'settings' => ['low' => '', 'high' => '']]);
        }
        [$low, $high] = $comparison->extremes();
        $beyond = $low < ($axis->low ?? -INF) ? $low : ($high > ($axis->high ?? INF) ? $high : null);

        return $beyond === null ? null : Notice::saying('limits-cut', "The axis is set {$said}; values reach {$comparison->format($beyond)} and are cut off.")
            ->mendedBy('Let it go', 'set', ['part' => 'axis', 'settings' => ['low' => '', 'high' => '']]);
    }
}
