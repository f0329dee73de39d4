<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;

/** A chart in one paragraph, for those who do not see it. */
final class Summary
{
    public static function of(Lineup $lineup): string
    {
        $text = sprintf(
            '%d lines of %s in %s, from %s to %s.',
            count($lineup->present()),
            mb_strtolower($lineup->comparison->measure->name),
            $lineup->unit->text() === '' ? 'its unit' : $lineup->unit->text(),
            $lineup->place($lineup->from),
            $lineup->place($lineup->to),
        );
        foreach ($lineup->focus() as $line) {
            if ($line->last === null) {
                $text .= " {$line->name} has no value here.";
                continue;
            }
            [$first, $low, $high] = self::telling($line, $lineup->from, $line->last);
            $valueAt = static fn(int $at): string => "{$lineup->format($line->values[$at])} in {$lineup->when(
                $line,
                $at,
            )}";
            $text .= " {$line->name} goes from {$valueAt($first)} to {$valueAt($line->last)}, lowest {$valueAt(
                $low,
            )}, highest {$valueAt($high)}.";
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
