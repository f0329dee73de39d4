<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Data\Better;
use DuskRail\Data\Numerals;
use DuskRail\Data\ValueType;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Peers\Position;

/** Where the focus stands among all, and where it stood when it first had company. */
final class PlaceAmongPeers implements ClaimFinder
{
    public function claims(Comparison $comparison): array
    {
        if (in_array($comparison->run->table()->unit->sort, [ValueType::Rank, ValueType::Score], true)) {
            return [];
        }
        $lower = $comparison->data->better === Better::Lower;
        $claims = [];
        foreach ($comparison->focus() as $line) {
            $first = $line->first($comparison->from);
            if ($first === null || $line->last === null || $line->last - $first < 2) {
                continue;
            }
            $now = self::position($comparison, $line, $line->last, $lower);
            $then = self::position($comparison, $line, $first, $lower);
            if ($now === null || $now->of < 4) {
                continue;
            }
            $claim = self::claim($comparison, $line, $first, $now, $then);
            if ($claim !== null) {
                $claims[] = $claim;
            }
        }

        return $claims;
    }

    private static function claim(
        Comparison $comparison,
        Line $line,
        int $first,
        Position $now,
        ?Position $then,
    ): ?Claim {
        $lower = $comparison->data->better === Better::Lower;
        $when = $comparison->axis->period($first)->label();
        $before = $then === null ? '' : "; {$when}: place {$then->rank} of {$then->of}";
        $working =
            "{$comparison->axis->period((int) $line->last)->label()}: place {$now->rank} of {$now->of}{$before}, the " .
            ($lower ? 'lowest' : 'highest') .
            ' first.';
        $moved = $then === null || $then->of < 4 ? 0 : $then->rank - $now->rank;
        // The best and the worst are called by what they are; a place that is shared is not claimed as if it were not.
        $end = match (true) {
            self::shared($comparison, $line, (int) $line->last) => '',
            $now->rank === 1 => $lower ? 'lowest' : 'highest',
            $now->rank === $now->of => $lower ? 'highest' : 'lowest',
            default => '',
        };
        if ($end !== '') {
            $from =
                $moved === 0 || $then === null
                    ? ''
                    : ', ' . Numerals::ordinal($then->rank) . " of {$then->of} in {$when}";

            return Claim::of(
                "{$line->name} is the {$end} of all {$now->of}{$from}",
                0.6 + abs($moved) / $now->of / 2,
                $working,
            );
        }

        return abs($moved) < 3 || $then === null
            ? null
            : Claim::of(
                "{$line->name} has moved from place {$then->rank} of {$then->of} to place {$now->rank} of {$now->of} " .
                    "since {$when}",
                0.35 + abs($moved) / $now->of / 2,
                $working,
            );
    }

    private static function position(Comparison $comparison, Line $line, int $at, bool $lower): ?Position
    {
        return Position::of($line->values[$at], self::others($comparison, $line, $at), $lower);
    }

    private static function shared(Comparison $comparison, Line $line, int $at): bool
    {
        return in_array($line->values[$at], self::others($comparison, $line, $at), true);
    }

    /** @return list<float> */
    private static function others(Comparison $comparison, Line $line, int $at): array
    {
        $others = array_filter(
            $comparison->present(),
            static fn(Line $other): bool => $other->key !== $line->key && !$other->isGroup(),
        );

        return array_values(array_map(static fn(Line $other): float => $other->values[$at], $others));
    }
}
