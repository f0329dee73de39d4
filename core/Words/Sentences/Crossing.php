<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;

/** Since when a line has been above or below another, if it was on the other side before. */
final class Crossing implements ClaimFinder
{
    /** So many periods on the new side before it is called a crossing and not a touch. */
    private const STEADY = 3;

    public function claims(Comparison $comparison): array
    {
        $claims = [];
        foreach (Pairs::of($comparison) as [$name, $values, $other, $others]) {
            $signs = [];
            for ($i = $comparison->from; $i <= $comparison->to; $i++) {
                if (!is_nan($values[$i]) && !is_nan($others[$i])) {
                    $signs[$i] = $values[$i] <=> $others[$i];
                }
            }
            if (count($signs) < 2 * self::STEADY) {
                continue;
            }
            $now = end($signs);
            $since = null;
            foreach (array_reverse($signs, true) as $i => $sign) {
                if ($sign !== $now) {
                    break;
                }
                $since = $i;
            }
            $steady = count(
                array_filter(array_keys($signs), static fn(int $i): bool => $since !== null && $i >= $since),
            );
            $before = count($signs) - $steady;
            if ($now === 0 || $since === null || $before < 1 || $steady < self::STEADY) {
                continue;
            }
            $side = $now < 0 ? 'below' : 'above';
            $claims[] = Claim::of(
                "{$name} has been {$side} {$other} since {$comparison->axis->period($since)->label()}",
                0.3 + 0.3 * min(1.0, $steady / max(1, $before)),
                "{$comparison->axis->period($since)->label()}: {$comparison->format(
                    $values[$since],
                )} against {$comparison->format($others[$since])}; {$side} in all {$steady} periods since.",
            );
        }

        return $claims;
    }
}
