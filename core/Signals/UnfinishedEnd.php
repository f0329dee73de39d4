<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Time\PeriodRange;

/** The latest period has come in for some only, so that medians and ranks there are of fewer. */
final class UnfinishedEnd implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $end = $comparison->to;
        if ($comparison->isSinceEvent() || $end <= $comparison->from) {
            return null;
        }
        $has = static fn(int $at): int => count(
            array_filter($comparison->present(), static fn(Line $l): bool => !is_nan($l->values[$at])),
        );
        [$now, $before] = [$has($end), $has($end - 1)];
        if ($now >= $before || $now === 0) {
            return null;
        }
        $period = $comparison->axis->period($end);
        $until = PeriodRange::between(
            $comparison->axis->period($comparison->from),
            $comparison->axis->period($end - 1),
        );

        return Notice::saying(
            "unfinished-{$period->code()}",
            "{$period->label()} has values for only {$now} of {$before} lines.",
        )->withRemedy("End at {$until->last->short()}", 'range', ['range' => $until->code()]);
    }
}
