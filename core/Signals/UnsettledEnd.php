<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Time\Period;

/** The latest values of some are provisional or estimated: what they show may yet be revised. */
final class UnsettledEnd implements Signal
{
    public function notice(Comparison $comparison): ?Notice
    {
        $unsettled = $comparison->data->unsettled($comparison->measure->key);
        $lines = array_values(
            array_filter(
                $comparison->present(),
                static fn(Line $line): bool => isset($unsettled[$line->key]) && $line->last !== null,
            ),
        );
        if ($comparison->isSinceEvent() || $lines === []) {
            return null;
        }
        // Those in focus first: the message is about them.
        usort($lines, static fn(Line $a, Line $b): int => $b->hue > 0 <=> $a->hue > 0);
        $from = Period::at(
            $comparison->run->origin->axis->frequency,
            min(array_map(static fn(Line $line): int => $unsettled[$line->key], $lines)),
        );
        if ($from->firstDay() > $comparison->axis->period($comparison->to)->lastDay()) {
            return null;
        }
        $others = count($lines) - 1;

        return Notice::saying(
            "unsettled-{$from->code()}-" . count($lines),
            "{$lines[0]->name}" .
                ($others === 0 ? ' has' : ' and ' . $others . ' more have') .
                " provisional values from {$from->label()}; they may be revised.",
            implode(', ', array_map(static fn(Line $line): string => $line->name, $lines)),
        );
    }
}
