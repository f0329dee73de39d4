<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\Numerals;
use DuskRail\Data\Sort;
use DuskRail\Study\Comparison;
use DuskRail\Study\View;

/** The vertical axis does not start at zero. That is fair for lines, but the reader must be able to see both. */
final class CutAxis implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $unit = $comparison->run->table()->unit;
        $low = $comparison->lowest();
        $study = $comparison->study;
        if (! in_array($unit->sort, [Sort::Amount, Sort::Index], true) || ! in_array($study->view, [View::Lines, View::Overlay], true) || $study->isSplit() || $study->axis->log) {
            return null;
        }
        if ($study->axis->start === 'both') {
            return Notice::saying('both-axes', 'The axis is shown cut and from zero.')->mendedBy('Cut only', 'set', ['part' => 'axis', 'settings' => ['start' => 'cut']]);
        }
        if ($comparison->study->axis->start === 'zero') {
            return Notice::saying('whole-axis', 'The axis starts at zero.')->mendedBy('Cut it', 'set', ['part' => 'axis', 'settings' => ['start' => 'cut']]);
        }

        return $comparison->isCut() ? Notice::saying('cut-axis', 'The axis is cut: it starts near '.Numerals::text($low, $comparison->decimals).', not at zero.')
            ->mendedBy('See both', 'set', ['part' => 'axis', 'settings' => ['start' => 'both']]) : null;
    }
}
