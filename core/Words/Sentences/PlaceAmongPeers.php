<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Data\Better;
use DuskRail\Data\Numerals;
use DuskRail\Outcome\Chance;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Peers\RankPosition;
use DuskRail\Words\PlaceWords;

/** Where the focus is among all, and where it was when it first had company. */
final class PlaceAmongPeers implements ClaimFinder
{
    /** Among fewer than so many a place is not worth a sentence. */
    private const COMPANY = 4;

    /** So many places moved are worth one. */
    private const FAR = 3;

    public function claims(Comparison $comparison): array
    {
        if ($comparison->run->table()->nature->isRelative()) {
            return [];
        }
        $claims = [];
        $chance = Chance::ofEvents($comparison);
        foreach ($comparison->focus() as $line) {
            $first = $line->first($comparison->from);
            if ($first === null || $line->current === null || $line->current - $first < 2) {
                continue;
            }
            $now = $comparison->peers->rankOf($line, $line->current);
            $then = $comparison->peers->rankOf($line, $first);
            $isEnd = $now !== null && ($now->rank === 1 || $now->rank === $now->of);
            // The smallest are at the ends by chance alone.
            $mayBeChance = $isEnd && $chance?->mayBe($line, $line->current) === true;
            if ($now !== null && $now->of >= self::COMPANY && !$mayBeChance) {
                $claims[] = self::claim($comparison, $line, $first, $now, $then);
            }
        }

        return array_values(array_filter($claims));
    }

    private static function claim(
        Comparison $comparison,
        Line $line,
        int $first,
        RankPosition $now,
        ?RankPosition $then,
    ): ?Claim {
        $lower = $comparison->better() === Better::Lower;
        $when = $comparison->axis->period($first)->label();
        $before = $then === null ? '' : "; {$when}: " . PlaceWords::place($then);
        $working =
            "{$comparison->axis->period((int) $line->current)->label()}: " .
            PlaceWords::place($now) .
            "{$before}, the " .
            ($lower ? 'lowest' : 'highest') .
            ' first.';
        $then = $then === null || $then->of < self::COMPANY ? null : $then;
        $moved = $then === null ? 0 : $then->rank - $now->rank;
        // The best and the worst are called by what they are; a place that is shared is not claimed as if it were not.
        if ($now->equal === 0 && in_array($now->rank, [1, $now->of], true)) {
            $isLowest = ($now->rank === 1) === $lower;
            $end = $isLowest ? 'lowest' : 'highest';
            $before = $then === null ? $end : self::then($then, $isLowest, $isLowest === $lower);
            $from = $then === null || $before === $end ? '' : ", {$before} of {$then->of} in {$when}";

            return Claim::of(
                "{$line->name} is the {$end} of all {$now->of}{$comparison->peers->named($line)}{$from}",
                0.6 + abs($moved) / $now->of / 2,
                $working,
            );
        }

        return abs($moved) < self::FAR || $then === null
            ? null
            : Claim::of(
                "{$line->name} has moved from " .
                    PlaceWords::place($then) .
                    ' to ' .
                    PlaceWords::place($now) .
                    "{$comparison->peers->named($line)} since {$when}",
                0.35 + abs($moved) / $now->of / 2,
                $working,
            );
    }

    /** `3rd lowest`, `joint highest`: a place counted from the same end as the one now, if it is the nearer one. */
    private static function then(RankPosition $then, bool $fromLowest, bool $fromBest): string
    {
        if (2 * ($fromBest ? $then->rank : $then->rankFromWorst()) > $then->of + 1) {
            [$fromLowest, $fromBest] = [!$fromLowest, !$fromBest];
        }
        $rank = $fromBest ? $then->rank : $then->rankFromWorst();
        $end = $fromLowest ? 'lowest' : 'highest';

        return match (true) {
            $then->equal > 0 => $rank === 1 ? "joint {$end}" : 'joint ' . Numerals::ordinal($rank) . " {$end}",
            $rank === 1 => $end,
            $rank === $then->of => $fromLowest ? 'highest' : 'lowest',
            default => Numerals::ordinal($rank) . " {$end}",
        };
    }
}
