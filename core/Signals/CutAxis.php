<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\Numerals;
use DuskRail\Data\Sort;
use DuskRail\Study\Comparison;

/** The vertical axis does not start at zero. That is fair for lines, but the reader must be able to see both. */
final class CutAxis implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $unit = $comparison->run->table()->unit;
        $low = $comparison->lowest();
        if (! in_array($unit->sort, [Sort::Amount, Sort::Index], true)) {
            return null;
        }
        if ($comparison->study->axis->start === 'zero') {
            return Notice::saying('whole-axis', 'The axis starts at zero.')->mendedBy('Cut it', 'set', ['part' => 'axis', 'settings' => ['start' => 'cut']]);
        }

        return $comparison->isCut() ? Notice::saying('cut-axis', 'The axis is cut: it starts near '.Numerals::text($low, $comparison->decimals).', not at zero.')
            ->mendedBy('Start at zero', 'set', ['part' => 'axis', 'settings' => ['start' => 'zero']]) : null;
    }
}
