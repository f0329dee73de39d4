<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Data\Better;
use DuskRail\Data\Nature;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\UnknownPeriod;
use DuskRail\Words\LiveNumber;

/**
 * How far the focus has come since the base, or since what is shown begins. Where seasons are in the values, the same
 * season is compared with the same season, unless the data are not a year long; a running total says nothing of change.
 */
final class ChangeOverTime implements ClaimFinder
{
    /** Less than this share is hardly a change. */
    private const HARDLY = 0.01;

    public function claims(Comparison $comparison): array
    {
        $claims = [];
        foreach ($comparison->run->table()->nature === Nature::Total ? [] : $comparison->focus() as $line) {
            [$first, $span] = self::start($comparison, $line);
            if ($first === null || $first === $line->current) {
                continue;
            }
            $since = ($span ?? $comparison->axis->period($first))->code();
            $change = LiveNumber::change($comparison, $line, $since);
            if ($change === null || is_nan($change->amount)) {
                continue;
            }
            $when = ($span ?? $comparison->axis->period($first))->label();
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

    /**
     * From when on the change is told: the base or the first period, or where seasons are in the values the earliest of
     * the same season as now.
     *
     * @return array{int|null, PeriodRange|null} position, and the base where it is compared as a whole
     */
    private static function start(Comparison $comparison, Line $line): array
    {
        $first = $line->first($comparison->from);
        $base = $comparison->base();
        $season = $comparison->seasonLeft();
        if ($season === 1) {
            return [$first, $base];
        }
        try {
            $span = $base === null ? [$first, $line->current] : $comparison->axis->positions($base);
            [$from, $to] = $span ?? [null, null];
        } catch (UnknownPeriod) {
            return [null, null];
        }
        for ($i = $from ?? 0; $from !== null && $line->current !== null && $i <= min($to, $line->current - 1); $i++) {
            if (($line->current - $i) % $season === 0 && !is_nan($line->values[$i])) {
                return [$i, null];
            }
        }

        // Data that are not a year long yet can be compared with nothing else.
        $isShort = $base === null && $line->current !== null && $line->current - (int) $line->first(0) < $season;

        return [$isShort ? $first : null, null];
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
