<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;
use DuskRail\Words\LiveNumber;

/** How far the focus has come since the base, or since what is shown begins. */
final class ChangeOverTime implements ClaimFinder
{
    /** Less than this share is hardly a change. */
    private const HARDLY = 0.01;

    public function claims(Comparison $comparison): array
    {
        $claims = [];
        foreach ($comparison->focus() as $line) {
            $first = $line->first($comparison->from);
            if ($first === null || $line->at === null || $first === $line->at) {
                continue;
            }
            $since = $comparison->base()?->code() ?? $comparison->axis->period($first)->code();
            $change = LiveNumber::change($comparison, $line, $since);
            if ($change === null || is_nan($change->amount)) {
                continue;
            }
            $when = $comparison->base()?->label() ?? $comparison->axis->period($first)->label();
            $share = $change->isShare
                ? abs($change->amount) / 100.0
                : abs($change->amount) / max(1e-12, abs($line->values[$first]));
            $claims[] = Claim::of(
                $share < self::HARDLY
                    ? "{$line->name} has hardly changed since {$when}"
                    : "{$line->name} has " .
                        ($change->amount < 0 ? 'fallen' : 'risen') .
                        " by {change {$line->name} since {$since}} since {$when}",
                $share < self::HARDLY ? 0.2 : 0.35 + $share,
                $change->working,
            );
        }

        return $claims;
    }
}
