<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;
use DuskRail\Statistics\LevelShift;

/** A sudden change of level in a focus line, which is more often a new way of counting than a new state of things. */
final class StepInFocus implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        foreach ($comparison->focus() as $line) {
            $series = $comparison->run->origin->series[$line->key] ?? null;
            $shift =
                $series === null
                    ? null
                    : LevelShift::in(
                        $series->values,
                        max(4, $comparison->run->origin->axis->frequency->perYear() ?? 12),
                    );
            if ($shift !== null) {
                $period = $comparison->run->origin->axis->period($shift->position);

                return Notice::saying(
                    "step-{$line->key}-{$period->code()}",
                    sprintf(
                        '%s steps %s by %.0f %% at %s. Was it counted in another way from then on?',
                        $line->name,
                        $shift->share > 0 ? 'up' : 'down',
                        abs($shift->share) * 100,
                        $period->label(),
                    ),
                );
            }
        }

        return null;
    }
}
