<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Chance;
use DuskRail\Outcome\Comparison;

/** That a line in focus is farther from its peers than chance alone would have it, where counts tell. */
final class BeyondChance implements ClaimFinder
{
    public function claims(Comparison $comparison): array
    {
        $chance = Chance::ofEvents($comparison);
        $claims = [];
        foreach ($chance === null ? [] : $comparison->focus() as $line) {
            if ($line->current === null || $line->isGroup() || $chance === null) {
                continue;
            }
            $limits = $chance->limits($line->current, $chance->exposure($line->key, $line->current), $line->key);
            $value = $line->latest();
            if (is_nan($limits[0]) || ($value >= $limits[0] && $value <= $limits[3])) {
                continue;
            }
            $count = $comparison->peers->count($line->current, $line);
            $claims[] = Claim::of(
                "{$line->name} is " .
                    ($value > $limits[3] ? 'above' : 'below') .
                    " what chance alone explains beside its {$count} peers{$comparison->peers->chosen->among}",
                0.7,
                "{$comparison->axis->period($line->current)->label()}: {$comparison->format($value)}; by " .
                    "chance alone, 99.8 % of such counts lie from {$comparison->format($limits[0])} to " .
                    "{$comparison->format($limits[3])}, around " .
                    "{$comparison->format($chance->expected[$line->current])}.",
            );
        }

        return $claims;
    }
}
