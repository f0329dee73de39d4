<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;
use DuskRail\Statistics\Equality;

/** When two lines were furthest apart, said only when that is now or was long enough ago to be history. */
final class WidestGap implements ClaimFinder
{
    private const FEWEST = 6;

    /** A gap up to this share of the widest is worth saying that it narrowed. */
    private const NARROW = 0.6;

    /** It has narrowed if it was hardly ever narrower since: up to this many times as wide as the narrowest. */
    private const NARROWEST = 1.1;

    public function claims(Comparison $comparison): array
    {
        $claims = [];
        foreach (Pairs::of($comparison) as $pair) {
            $gaps = [];
            foreach ($pair->common as $i) {
                $gaps[$i] = abs($pair->values[$i] - $pair->others[$i]);
            }
            if (count($gaps) < self::FEWEST) {
                continue;
            }
            $last = $comparison->reference;
            $widest = max($gaps);
            $at = array_keys(array_filter($gaps, static fn(float $gap): bool => Equality::holds($gap, $widest)));
            // Twice the same gap is no record.
            if (count($at) > 1 || $widest <= 0.0) {
                continue;
            }
            $period = static fn(int $i): string => $comparison->axis->period($i)->label();
            $both = static fn(int $i): string => "{$period($i)}: {$comparison->format($pair->values[$i])} and " .
                "{$comparison->format($pair->others[$i])}, {$comparison->format($gaps[$i])} apart";
            $since = array_filter($gaps, static fn(int $i): bool => $i > $at[0], ARRAY_FILTER_USE_KEY);
            if ($at[0] === $last) {
                $claims[] = Claim::of(
                    $pair->cut
                        ? "The gap between {$pair->name} and {$pair->other} is wider in {$period($last)} than at any " .
                            "time since {$period($pair->common[0])}"
                        : "The gap between {$pair->name} and {$pair->other} is wider in {$period($last)} than " .
                            'ever before',
                    0.55,
                    "{$both($last)}.",
                );
            } elseif (
                $gaps[$last] < self::NARROW * $widest &&
                $gaps[$last] <= self::NARROWEST * min($widest, ...$since)
            ) {
                $claims[] = Claim::of(
                    "The gap between {$pair->name} and {$pair->other} was widest in {$period($at[0])} and has " .
                        'narrowed since',
                    0.4,
                    "{$both($at[0])}; {$both($last)}.",
                );
            }
        }

        return $claims;
    }
}
