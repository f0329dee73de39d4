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

    /** So much of the step, and another line had it too; so many of the others, and all had it (common practice). */
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
            if ($shift === null || abs($shift->share()) < self::SEEN) {
                continue;
            }
            [$moved, $known] = $this->others($comparison, $line, $shift);
            if ($known > 0 && $moved >= self::SHARED * $known) {
                continue;
            }
            $period = $comparison->axis->period($comparison->from + $shift->position);

            return Notice::saying(
                "step-{$line->key}-{$period->code()}",
                sprintf(
                    '%s steps %s by %s in %s%s. Did the counting method change?',
                    $line->name,
                    $shift->size > 0.0 ? 'up' : 'down',
                    $this->size($comparison, $shift),
                    $period->label(),
                    match (true) {
                        $known === 0 => '',
                        $moved > 0 => ", as {$moved} of {$known} others do",
                        $known === 1 => ', and the other line does not',
                        default => ', and the others do not',
                    },
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

    /**
     * How many of the others move the same way at the same time, of how many with values before and after.
     *
     * @return array{int, int}
     */
    private function others(Comparison $comparison, Line $line, LevelShift $shift): array
    {
        $courses = TrendSummaries::of($comparison);
        $length = max(3, $comparison->season());
        $own = is_nan($shift->share()) ? $shift->size : $shift->share();
        $moved = $known = 0;
        foreach ($comparison->present() as $other) {
            if ($other->key === $line->key || $other->isGroup() !== $line->isGroup()) {
                continue;
            }
            $values = $courses->plain($other);
            // As many values as there are before and after, be there a gap between.
            $before = Quantile::of(array_slice(self::there(array_slice($values, 0, $shift->position)), -$length), 0.5);
            $after = Quantile::of(array_slice(self::there(array_slice($values, $shift->position)), 0, $length), 0.5);
            // In shares of the level where there is one, since the others may be of another size.
            $move = is_nan($shift->share()) || $before <= 0.0 ? $after - $before : $after / $before - 1.0;
            if (!is_nan($move)) {
                $known++;
                $moved += $move / $own >= self::SHARED ? 1 : 0;
            }
        }

        return [$moved, $known];
    }

    /**
     * @param list<float> $values
     * @return list<float>
     */
    private static function there(array $values): array
    {
        return array_values(array_filter($values, static fn(float $v): bool => !is_nan($v)));
    }
}
