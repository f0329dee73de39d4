<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Data\Better;
use DuskRail\Outcome\Comparison;
use DuskRail\Statistics\Equality;

/** Since when a line has been above or below another, if it was on the other side before. */
final class Crossing implements ClaimFinder
{
    /** So many periods on the new side before it is called a crossing and not a touch. */
    private const STEADY = 3;

    public function claims(Comparison $comparison): array
    {
        $claims = [];
        foreach (Pairs::of($comparison) as $pair) {
            $signs = [];
            foreach ($pair->common as $i) {
                $signs[$i] = Equality::compare($pair->values[$i], $pair->others[$i]);
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
            if ($comparison->run->table()->nature->isPlace()) {
                $side = $now < 0 === ($comparison->better() === Better::Lower) ? 'ahead of' : 'behind';
            }
            $period = $comparison->axis->period($since)->label();
            $against = "{$comparison->format($pair->values[$since])} against {$comparison->format(
                $pair->others[$since],
            )}";
            $claims[] = Claim::of(
                "{$pair->name} has been {$side} {$pair->other} since {$period}",
                0.3 + 0.3 * min(1.0, $steady / max(1, $before)),
                "{$period}: {$against}; the same side in all {$steady} periods since.",
            );
        }

        return $claims;
    }
}
