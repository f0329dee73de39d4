<?php

declare(strict_types=1);

namespace DuskRail\Words;

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
    public static function ofLines(Comparison $comparison): string
    {
        $focus = $comparison->focus()[0] ?? null;
        if ($focus === null || ($focus->at ?? $focus->last) === null) {
            return "{$comparison->measure->name}: " . count($comparison->present()) . ' lines';
        }
        if ($focus->at === null) {
            return self::ended($comparison, $focus);
        }
        $value = $comparison->format($focus->latest());
        $when = self::when($comparison, $focus->at);
        $isOfItsKind = $comparison->peers->chosen->strata !== [];
        $line = $isOfItsKind ? PeerSummary::beside($comparison, $focus)->line : $comparison->peerLine;
        $level = $line[$focus->at] ?? NAN;
        if ($comparison->peers->count($focus->at, $focus) < 2 || is_nan($level)) {
            return "{$focus->name}: {$value} {$when}";
        }

        return "{$focus->name}: {$value} {$when}; " .
            self::peers($comparison, $focus) .
            " {$comparison->format($level)}";
    }

    /** A line that has no value in the period that is spoken of is told by its last finished one. */
    private static function ended(Comparison $comparison, Line $line): string
    {
        $last = Line::lastOf($line->values, $comparison->from, $comparison->spoken);

        return $last === null
            ? "{$line->name} has no complete value yet"
            : "{$line->name}: {$comparison->format($line->values[$last])} " .
                    self::when($comparison, $last) .
                    ', its last value';
    }

    /** Where the latest of years merged into each other is. */
    public static function ofYears(Comparison $comparison, Lineup $years): string
    {
        $distance = Overlay::distance($years);

        return $distance === '' ? self::ofLines($comparison) : ($comparison->subject()->name ?? '') . " {$distance}";
    }

    /** How much of a whole its largest parts are. */
    public static function ofParts(Comparison $comparison): string
    {
        $lineup = Lineup::of($comparison);
        $stacked = Stacked::of($lineup);
        $last = count($stacked->layers) < 5 ? null : Line::lastOf($stacked->totals, $lineup->from, $comparison->spoken);
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
        $count = $comparison->peers->count((int) $line->at, $line);
        $whose = match (true) {
            $comparison->peers->isAll() => "all {$count}",
            $chosen->isGroup => "the {$count} " . mb_strtolower($chosen->name) . ' peers',
            !$chosen->isAll() => "the {$count} peers{$chosen->among}",
            // A line that is one of the peers has one fewer besides itself.
            $comparison->peers->has($line) => "the {$count} peers",
            default => "its {$count} peers",
        };

        return $part->line === PeerLine::Pooled
            ? "the weighted mean of {$whose} is"
            : "the {$part->line->value} of {$whose} is";
    }
}
