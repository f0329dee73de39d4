<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\LineTurns;
use DuskRail\Statistics\Turn;
use DuskRail\Words\TurnWords;

/** How a line in focus has gone since it last turned, and when that was. */
final class SinceTurn implements ClaimFinder
{
    public function claims(Comparison $comparison): array
    {
        $claims = [];
        foreach ($comparison->focus() as $line) {
            $turns = $comparison->courses->turns($line);
            if ($turns !== null && $turns->has()) {
                $claims[] = Claim::of(
                    $this->sentence($comparison, $turns),
                    $turns->turns->direction() === 0 ? 0.65 : 0.8,
                    TurnWords::working($comparison, $turns),
                );
            }
        }

        return $claims;
    }

    private function sentence(Comparison $comparison, LineTurns $turns): string
    {
        $last = $turns->last();
        $step = $turns->lastStep();
        if ($last !== null && $last->bends()) {
            $isLater = $step !== null && $step->position >= $last->position;
            $apart = $isLater ? $this->step($comparison, $turns, $step) : '';

            return $this->slope($comparison, $turns, $last) . ($apart === '' ? '' : ", apart from a {$apart}");
        }

        return $step === null ? '' : "{$turns->line->name}: a {$this->step($comparison, $turns, $step)}";
    }

    private function slope(Comparison $comparison, LineTurns $turns, Turn $last): string
    {
        $name = $turns->line->name;
        $way = $turns->turns->direction();
        if ($way !== 0) {
            $by = is_nan($turns->pace()) ? '' : " by {pace {$name}}";

            return "{$name} has been " . TurnWords::verb($comparison, $way) . "{$by} since {since {$name}}";
        }
        $before = $turns->paceBefore();
        $after = is_nan($before)
            ? ''
            : ', after ' .
                TurnWords::verb($comparison, $before <=> 0.0) .
                ' by ' .
                TurnWords::pace($comparison, $turns, $before);

        return "{$name} has shown no clear trend since {since {$name}}{$after}";
    }

    /** `step up by 238 l in August 2024` */
    private function step(Comparison $comparison, LineTurns $turns, Turn $step): string
    {
        $size = $turns->step($step);
        $by = is_nan($size) ? '' : ' by ' . TurnWords::size($comparison, abs($size));

        $way = $step->step > 0.0 ? 'up' : 'down';
        if ($comparison->run->table()->unit->isRank()) {
            // The first place is on top: a lower number is a step up.
            $way = $step->step > 0.0 ? 'down' : 'up';
        }

        return "step {$way}{$by} in " . TurnWords::since($turns, $step);
    }
}
