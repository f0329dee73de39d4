<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Overlay;
use DuskRail\Outcome\PeerSummary;
use DuskRail\Outcome\Stacked;
use DuskRail\Time\Frequency;

/** What the program writes above a picture until the user does. */
final class Headline
{
    /** Where the first line in focus is, and what stands for its peers. */
    public static function ofLines(Lineup $lineup): string
    {
        $comparison = $lineup->comparison;
        $focus = $lineup->focus()[0] ?? null;
        if ($focus === null || ($focus->current ?? $focus->last) === null) {
            return "{$comparison->measure->name}: " . count($lineup->present()) . ' lines';
        }
        if ($focus->current === null) {
            return self::ended($lineup, $focus);
        }
        $value = self::value($lineup, $focus, $focus->current);
        $is = "{$focus->name}: {$value} " . self::when($comparison, $focus->current);
        $isOfItsKind = $lineup->summary->line !== [] && $comparison->peers->chosen->strata !== [];
        $summary = $isOfItsKind ? PeerSummary::beside($comparison, $focus) : $lineup->summary;
        $level = $summary->line[$focus->current] ?? NAN;

        return $comparison->peers->count($focus->current, $focus) < 2 || is_nan($level)
            ? $is
            : "{$is}; " . self::peers($comparison, $focus) . " {$lineup->format($level)}";
    }

    /** A value as the headline says it: a rank with how many there are. */
    private static function value(Lineup $lineup, Line $line, int $at): string
    {
        return $lineup->unit->isRank()
            ? Numerals::ordinal((int) $line->values[$at]) . ' of ' . $lineup->placed($line, $at)
            : $lineup->format($line->values[$at]);
    }

    /** For a line without a value in the reference period, its last complete value. */
    private static function ended(Lineup $lineup, Line $line): string
    {
        $last = Line::lastOf($line->values, $lineup->from, $lineup->comparison->reference);

        return $last === null
            ? "{$line->name} has no complete value yet"
            : "{$line->name}: " .
                self::value($lineup, $line, $last) .
                ' ' .
                self::when($lineup->comparison, $last) .
                ', its last value';
    }

    /** Where the latest of years merged into each other is. */
    public static function ofYears(Comparison $comparison, Lineup $years): string
    {
        $distance = Overlay::distance($years);

        return $distance === ''
            ? self::ofLines(Lineup::of($comparison))
            : ($comparison->subject()->name ?? '') . " {$distance}";
    }

    /** How much of a whole its largest parts are. */
    public static function ofParts(Comparison $comparison): string
    {
        $lineup = Lineup::of($comparison);
        $stacked = Stacked::of($lineup);
        $isOfMany = count($stacked->layers) >= 5;
        $last = $isOfMany ? Line::lastOf($stacked->totals, $lineup->from, $comparison->reference) : null;
        if ($last === null || !$stacked->adds) {
            return "{$comparison->measure->name}: parts of the total";
        }

        return sprintf(
            'The largest three account for %.0f %% of the total in %s',
            $stacked->largest(3, $last),
            $comparison->axis->period($last)->label(),
        );
    }

    private static function when(Comparison $comparison, int $position): string
    {
        $in = match ($comparison->axis->frequency) {
            Frequency::Day => 'on',
            Frequency::Number => 'at',
            default => 'in',
        };

        return "{$in} {$comparison->axis->period($position)->label()}";
    }

    /** `the median of its 23 peers is`: as many as have a value then. */
    private static function peers(Comparison $comparison, Line $line): string
    {
        $part = $comparison->study->part(PeersPart::class);
        $chosen = $comparison->peers->chosen;
        $count = $comparison->peers->count((int) $line->current, $line);
        $whose = match (true) {
            $comparison->peers->isAll() => "all {$count}",
            $chosen->isGroup => "the {$count} " . mb_strtolower($chosen->name) . ' peers',
            !$chosen->isAll() => "the {$count} peers{$chosen->among}",
            // A line that is one of the peers has one fewer besides itself.
            $comparison->peers->has($line) => "the {$count} peers",
            default => "its {$count} peers",
        };

        return $part->line === PeerLine::Pooled
            ? ($comparison->isPooledByWeight() ? "the weighted mean of {$whose} is" : "the mean of {$whose} is")
            : "the {$part->line->value} of {$whose} is";
    }
}
