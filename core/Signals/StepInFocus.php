<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\Numerals;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\TrendSummaries;
use DuskRail\Statistics\LevelShift;
use DuskRail\Statistics\Quantile;

/**
 * A sudden change of level in a focus line that the peers did not share: more often a new way of counting than a new
 * state of things. It is looked for in the data that are drawn, rolling windows apart, which would hide it.
 */
final class StepInFocus implements Signal
{
    /** A step of a smaller share of the level is hardly seen (common practice, no source). */
    private const SEEN = 0.1;

    /** So much of the step in the peers' median, and all had it (common practice, no source). */
    private const SHARED = 0.5;

    public function notice(Comparison $comparison): ?Notice
    {
        if ($comparison->run->table()->nature->isRelative()) {
            return null;
        }
        $courses = TrendSummaries::of($comparison);
        foreach ($comparison->focus() as $line) {
            $values = $courses->plain($line);
            $shift = LevelShift::in($values, $comparison->season());
            if ($shift === null || abs($shift->share()) < self::SEEN || $this->isShared($comparison, $line, $shift)) {
                continue;
            }
            $period = $comparison->axis->period($comparison->from + $shift->position);

            return Notice::saying(
                "step-{$line->key}-{$period->code()}",
                sprintf(
                    '%s steps %s by %s in %s, and the others do not. Did the counting method change?',
                    $line->name,
                    $shift->size > 0.0 ? 'up' : 'down',
                    $this->size($comparison, $shift),
                    $period->label(),
                ),
            );
        }

        return null;
    }

    private function size(Comparison $comparison, LevelShift $shift): string
    {
        if ($comparison->grows() && $shift->before > 0.0) {
            return sprintf('%.0f %%', abs($shift->share()) * 100);
        }
        $unit = $comparison->run->table()->unit->difference()->text();

        return trim(Numerals::text(abs($shift->size), Numerals::decimals([$shift->size])) . " {$unit}");
    }

    /** Whether the median of the others moves the same way at the same time. */
    private function isShared(Comparison $comparison, Line $line, LevelShift $shift): bool
    {
        $courses = TrendSummaries::of($comparison);
        $others = [];
        foreach ($comparison->present() as $other) {
            if ($other->key !== $line->key && $other->isGroup() === $line->isGroup()) {
                $others[] = $courses->plain($other);
            }
        }
        if (count($others) < 2) {
            return false;
        }
        $length = max(3, $comparison->season());
        $moves = [];
        foreach ($others as $values) {
            $before = Quantile::of(
                array_slice($values, max(0, $shift->position - $length), min($shift->position, $length)),
                0.5,
            );
            $after = Quantile::of(array_slice($values, $shift->position, $length), 0.5);
            // In shares of the level where there is one, since the others may be of another size.
            $moves[] = is_nan($shift->share()) || $before <= 0.0 ? $after - $before : $after / $before - 1.0;
        }
        $own = is_nan($shift->share()) ? $shift->size : $shift->share();

        return Quantile::of($moves, 0.5) / $own >= self::SHARED;
    }
}
