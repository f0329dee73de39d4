<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Data\Better;
use DuskRail\Data\Nature;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Statistics\Equality;

/**
 * That the latest finished value of a line in focus is its lowest or highest, of all or since a while ago. Values
 * before the periods shown count too, or what is said to be a record would be none.
 */
final class RecordAtEnd implements ClaimFinder
{
    public function claims(Comparison $comparison): array
    {
        // A running total is at its highest by its nature.
        if ($comparison->run->table()->nature === Nature::Total) {
            return [];
        }
        $claims = [];
        $long = max(6, 2 * $comparison->axis->frequency->inAYear());
        foreach ($comparison->focus() as $line) {
            $first = $line->first(0);
            if ($first === null || $line->current === null || $line->current - $first < $long) {
                continue;
            }
            foreach ([-1, 1] as $direction) {
                $beaten = self::beaten($line, $first, $line->current, $direction);
                if ($line->current - ($beaten === null ? $first : $beaten + 1) >= $long) {
                    $claims[] = self::claim($comparison, $line, $first, $direction, $beaten);
                }
            }
        }

        return $claims;
    }

    /** The latest position before the last whose value the last one does not beat; null where it beats all. */
    private static function beaten(Line $line, int $first, int $last, int $direction): ?int
    {
        for ($i = $last - 1; $i >= $first; $i--) {
            $value = $line->values[$i];
            if (!is_nan($value) && Equality::compare($line->values[$last], $value) !== $direction) {
                return $i;
            }
        }

        return null;
    }

    private static function claim(Comparison $comparison, Line $line, int $first, int $direction, ?int $beaten): Claim
    {
        $last = (int) $line->current;
        $period = static fn(int $at): string => $comparison->axis->period($at)->label();
        $isPlace = $comparison->run->table()->nature->isPlace();
        $isBest = $direction < 0 === ($comparison->better() === Better::Lower);
        $what = match (true) {
            $isPlace => 'in its ' . ($isBest ? 'best' : 'worst') . ' place',
            default => 'at its ' . ($direction < 0 ? 'lowest' : 'highest'),
        };
        $now = "{$period($last)}: {$comparison->format($line->latest())}";
        if ($beaten === null) {
            return Claim::of(
                "{$line->name} is {$what} since {$period($first)}, the start of the data",
                0.5 + min(0.2, ($last - $first) / 600),
                "{$now}, " . ($direction < 0 ? 'below' : 'above') . ' every value before.',
            );
        }
        $tied = Equality::holds($line->values[$beaten], $line->latest()) ? ', the same.' : '.';

        return Claim::of(
            "{$line->name} is {$what} since {$period($beaten)}",
            0.25 + min(0.2, ($last - $beaten) / 600),
            "{$now}; {$period($beaten)}: {$comparison->format($line->values[$beaten])}{$tied}",
        );
    }
}
