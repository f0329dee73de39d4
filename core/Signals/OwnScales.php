<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Views\Views;

/** Panels on scales of their own look comparable and are not. */
final class OwnScales implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $panels = $comparison->study->part(PanelsPart::class);

        return match (true) {
            !Views::of($comparison->study)->isSplit($comparison->study) || $panels->scale === 'same' => null,
            $panels->scale === 'span' => Notice::saying(
                'panels-span',
                'Panels have different midpoints: compare changes, not levels.',
            )->withRemedy('Use a shared scale', 'set', ['part' => 'panels', 'settings' => ['scale' => 'same']]),
            default => Notice::saying(
                'panels-own',
                'Panels have different scales: sizes and slopes cannot be compared.',
            )->withRemedy('Use a shared scale', 'set', ['part' => 'panels', 'settings' => ['scale' => 'same']]),
        };
    }
}
