<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Data\Better;
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
            if ($first === null || $first === $line->current) {
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
            $name = $line->name;
            $claims[] = Claim::of(
                $share < self::HARDLY
                    ? "{$name} has hardly changed since {$when}"
                    : "{$name} has {$this->verb($comparison, $change)} {change {$name} since {$since}} since {$when}",
                $share < self::HARDLY ? 0.2 : 0.35 + $share,
                $change->working,
            );
        }

        return $claims;
    }

    /** A place is gained where its number falls, or its percentile rises. */
    private function verb(Comparison $comparison, LiveNumber $change): string
    {
        if ($comparison->run->table()->nature->isPlace()) {
            $gains = $change->amount < 0 === ($comparison->better() === Better::Lower);

            return $gains ? 'gained' : 'lost';
        }

        return $change->amount < 0 ? 'fallen by' : 'risen by';
    }
}
