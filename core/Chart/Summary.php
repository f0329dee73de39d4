<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Study\Comparison;

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
            $values = array_filter(array_slice($line->values, $comparison->from, $comparison->to - $comparison->from + 1, true), static fn (float $v): bool => ! is_nan($v));
            $text .= sprintf(
                ' %s goes from %s (%s) to %s (%s), lowest %s in %s, highest %s in %s.',
                $line->name,
                $comparison->format(reset($values)),
                $comparison->axis->period((int) array_key_first($values))->label(),
                $comparison->format($line->latest()),
                $comparison->axis->period($line->last)->label(),
                $comparison->format(min($values)),
                $comparison->axis->period((int) array_search(min($values), $values, true))->label(),
                $comparison->format(max($values)),
                $comparison->axis->period((int) array_search(max($values), $values, true))->label(),
            );
        }

        return $text;
    }
}
