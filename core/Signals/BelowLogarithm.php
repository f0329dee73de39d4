<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\AxisPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Views\Views;

/** Zero and what is below have no place on a logarithmic axis. */
final class BelowLogarithm implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        if (!$comparison->study->part(AxisPart::class)->log || !Views::of($comparison->study)->uses(AxisPart::class)) {
            return null;
        }
        $names = [];
        $count = 0;
        foreach ($comparison->present() as $line) {
            for ($i = $comparison->from; $i <= $comparison->to; $i++) {
                if ($line->values[$i] <= 0.0) {
                    $names[$line->name] = $line->name;
                    $count++;
                }
            }
        }
        if ($count === 0) {
            return Notice::saying('log-axis', 'The axis is logarithmic.')->withRemedy('Use a linear axis', 'set', [
                'part' => 'axis',
                'settings' => ['log' => '0'],
            ]);
        }

        return Notice::saying(
            "log-below-{$count}",
            "{$count} " .
                ($count === 1 ? 'value is' : 'values are') .
                ' zero or below and not shown on a logarithmic axis.',
            implode(', ', $names),
        )->withRemedy('Use a linear axis', 'set', ['part' => 'axis', 'settings' => ['log' => '0']]);
    }
}
