<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;

/** When two lines were furthest apart, said only when that is now or was long enough ago to be history. */
final class WidestGap implements ClaimFinder
{
    public function claims(Comparison $comparison): array
    {
        $claims = [];
        foreach (Pairs::of($comparison) as [$name, $values, $other, $others]) {
            $gaps = [];
            for ($i = $comparison->from; $i <= $comparison->to; $i++) {
                if (!is_nan($values[$i]) && !is_nan($others[$i])) {
                    $gaps[$i] = abs($values[$i] - $others[$i]);
                }
            }
            $last = array_key_last($gaps);
            if ($last === null || count($gaps) < 6) {
                continue;
            }
            $widest = max($gaps);
            $at = array_keys($gaps, $widest, true);
            // Twice the same gap is no record.
            if (count($at) > 1 || $widest <= 0.0) {
                continue;
            }
            $period = $comparison->axis->period($at[0])->label();
            $working = "{$period}: {$comparison->format($values[$at[0]])} and {$comparison->format(
                $others[$at[0]],
            )}, {$comparison->format($widest)} apart; {$comparison->axis->period($last)->label()}: {$comparison->format(
                $gaps[$last],
            )}.";
            if ($at[0] === $last) {
                $claims[] = Claim::of("{$name} and {$other} have never been further apart than now", 0.55, $working);
            } elseif ($gaps[$last] < 0.6 * $widest) {
                $claims[] = Claim::of(
                    "The gap between {$name} and {$other} was widest in {$period} and has closed since",
                    0.4,
                    $working,
                );
            }
        }

        return $claims;
    }
}
