<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Chart\Scale;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Views\Views;

/** An area under a line was asked for on an axis that does not show zero, and is not drawn. */
final class AreaWithoutZero implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $study = $comparison->study;
        $view = Views::of($study);
        $axis = $study->part(AxisPart::class);
        $isAsked = $study->part(LookPart::class)->area && $view->uses(LookPart::class) && $view->readsAlongLines();
        if (!$isAsked || $view->isSplit($study) || $axis->start === 'both' || $comparison->focus() === []) {
            return null;
        }
        $scale = Scale::wanted($comparison->extremes(), $axis, $axis->view === $study->view, 1.0, 0.0);
        if ($scale->hasZero()) {
            return null;
        }

        return Notice::saying(
            'area-without-zero',
            'The area under the lines in focus is not drawn: an area is read by its size, and this axis does not ' .
                'show zero.',
        )->withRemedy('Start the axis at zero', 'set', [
            'part' => 'axis',
            'settings' => ['start' => 'zero', 'log' => '0', 'low' => ''],
        ]);
    }
}
