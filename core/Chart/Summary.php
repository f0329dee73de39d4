<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Study\Comparison;
use DuskRail\Study\Line;

/** A chart in one paragraph, for those who do not see it. */
final class Summary
{
    public static function of(Comparison $comparison): string
    {
        $text = sprintf(
            '%d lines of %s in %s, from %s to %s.',
            count($comparison->present()),
            mb_strtolower($comparison->measure->name),
            $comparison->unit() === '' ? 'its own unit' : $comparison->unit(),
            $comparison->axis->period($comparison->from)->label(),
            $comparison->axis->period($comparison->to)->label(),
        );
        foreach ($comparison->focus() as $line) {
            if ($line->last === null) {
                $text .= " {$line->name} has no value here.";
                continue;
            }
            [$first, $low, $high] = self::telling($line, $comparison->from, $line->last);
            $said = static fn(int $at): string => "{$comparison->format($line->values[$at])} in {$comparison->axis->period($at)->label()}";
            $text .= " {$line->name} goes from {$said($first)} to {$said($line->last)}, lowest {$said($low)}, highest {$said($high)}.";
        }

        return $text;
    }

    /** @return array{int, int, int} positions of the first, the lowest and the highest value */
    private static function telling(Line $line, int $from, int $last): array
    {
        $first = $low = $high = $last;
        for ($i = $last; $i >= $from; $i--) {
            $value = $line->values[$i];
            $first = is_nan($value) ? $first : $i;
            $low = $value < $line->values[$low] ? $i : $low;
            $high = $value > $line->values[$high] ? $i : $high;
        }

        return [$first, $low, $high];
    }
}
