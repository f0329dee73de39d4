<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\Numerals;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Statistics\Quantile;
use DuskRail\Statistics\Turn;

/**
 * A sudden change of level in a focus line that the peers did not share: more often a new way of counting than a new
 * state of things. It is a turn of the line's level, looked for in what went into rolling windows.
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
        foreach ($comparison->focus() as $line) {
            $turns = $comparison->courses->mayStep($line) ? $comparison->courses->turns($line) : null;
            $step = $turns === null ? null : self::largest($turns->all());
            if ($turns === null || $step === null) {
                continue;
            }
            $before = $turns->turns->course[$step->position - 1];
            $share = $before > 0.0 ? $step->step / $before : NAN;
            if (abs($share) < self::SEEN) {
                continue;
            }
            [$moved, $known] = $this->others($comparison, $line, $step, $share);
            if ($known > 0 && $moved >= self::SHARED * $known) {
                continue;
            }
            $period = $turns->period($step);

            return Notice::saying(
                "step-{$line->key}-{$period->code()}",
                sprintf(
                    '%s steps %s by %s in %s%s. Did the counting method change?',
                    $line->name,
                    $step->step > 0.0 ? 'up' : 'down',
                    $this->size($comparison, $step, $share),
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

    /** @param list<Turn> $turns */
    private static function largest(array $turns): ?Turn
    {
        $largest = null;
        foreach ($turns as $turn) {
            $largest = abs($turn->step) > abs($largest->step ?? 0.0) ? $turn : $largest;
        }

        return $largest;
    }

    private function size(Comparison $comparison, Turn $step, float $share): string
    {
        if ($comparison->grows() && !is_nan($share)) {
            return sprintf('%.0f %%', abs($share) * 100);
        }
        $unit = $comparison->run->table()->unit->difference()->text();

        return trim(Numerals::text(abs($step->step), Numerals::decimals([$step->step])) . " {$unit}");
    }

    /**
     * How many of the others move the same way at the same time, of how many with values before and after.
     *
     * @return array{int, int}
     */
    private function others(Comparison $comparison, Line $line, Turn $step, float $share): array
    {
        $length = max(3, $comparison->season());
        $own = is_nan($share) ? $step->step : $share;
        $moved = $known = 0;
        foreach ($comparison->present() as $other) {
            if ($other->key === $line->key || $other->isGroup() !== $line->isGroup()) {
                continue;
            }
            $values = $comparison->courses->tested($other);
            $before = self::level(array_slice($values, 0, $step->position), -$length);
            $after = self::level(array_slice($values, $step->position), $length);
            // In shares of the level where there is one, since the others may be of another size.
            $move = is_nan($share) || $before <= 0.0 ? $after - $before : $after / $before - 1.0;
            if (!is_nan($move)) {
                $known++;
                $moved += $move / $own >= self::SHARED ? 1 : 0;
            }
        }

        return [$moved, $known];
    }

    /**
     * The median of the first or the last values that are there, be there a gap between; NAN without any.
     *
     * @param list<float> $values
     * @param int $length how many, below zero of the last
     */
    private static function level(array $values, int $length): float
    {
        $there = array_values(array_filter($values, static fn(float $v): bool => !is_nan($v)));

        return Quantile::of($length < 0 ? array_slice($there, $length) : array_slice($there, 0, $length), 0.5);
    }
}
