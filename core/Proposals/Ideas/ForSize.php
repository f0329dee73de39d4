<?php

declare(strict_types=1);

namespace DuskRail\Proposals\Ideas;

use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Numerals;
use DuskRail\Proposals\Arriving;
use DuskRail\Proposals\Idea;
use DuskRail\Proposals\Proposal;
use DuskRail\Rail\Stops\PerDenominator;
use DuskRail\Refusal;
use DuskRail\Statistics\RankCorrelation;

/** Amounts of entities that differ in size are divided by what their size is. */
final class ForSize implements Idea
{
    /** Lines that differ less than this are of one size. */
    private const LEAST = 2.5;

    /** From here on the order of the denominators is that of the amounts. */
    private const ALIKE = 0.5;

    private const NEARLY = 0.2;

    /** What one divides by first, and what is not divided by others of its kind (common practice, no source). */
    private const USUAL =
        '/\b(people|population|inhabitants|residents|persons?|connections|customers|households|subscribers|members|' .
        'patients|students|pupils|employees)\b/iu';

    public function of(Arriving $at): ?Proposal
    {
        $spread = $at->spread();
        $isOneSize = is_nan($spread) || $spread < self::LEAST;
        $isSize = preg_match(self::USUAL, $at->comparison->measure->name) === 1;
        if ($isOneSize || $isSize || !$at->table->nature->isDivisible() || $at->has('per-denominator', 'share')) {
            return null;
        }
        $best = self::best($at);
        if ($best === null) {
            return null;
        }
        $count = count($at->levels());
        $name = mb_strtolower($best->name);
        $times = Numerals::text($spread, $spread < 10.0 ? 1 : 0);

        return Proposal::because(
            "{$count} lines differ {$times}-fold in size, mostly as their {$name} do",
            PerDenominator::by($best->key, $at->table, $at->scope),
            $at,
        );
    }

    /** Whether it counts people, connections and the like, in another unit than what is divided. */
    private static function isLevel(Measure $measure, Arriving $at): bool
    {
        return $measure->kind === MeasureKind::Stock &&
            $measure->canDivide() &&
            $measure->key !== $at->comparison->measure->key &&
            $measure->unit->amount !== $at->table->unit->amount &&
            self::isPossible($measure, $at);
    }

    private static function isPossible(Measure $measure, Arriving $at): bool
    {
        try {
            return (new PerDenominator($measure->key))->refusal($at->table, $at->scope) === null;
        } catch (Refusal) {
            return false;
        }
    }

    /** How far its order of the lines is that of their levels; it must differ between them nearly as much. */
    private static function likeness(Measure $measure, Arriving $at): float
    {
        $sizes = [];
        foreach ($at->scope->table($measure->key)->series as $key => $series) {
            $sizes[$key] = Arriving::median($series->values);
        }
        $levels = array_filter(
            $at->levels(),
            static fn(string $key): bool => ($sizes[$key] ?? NAN) > 0.0,
            ARRAY_FILTER_USE_KEY,
        );
        if (count($levels) < max(2, 0.8 * count($at->levels()))) {
            return NAN;
        }

        $both = array_map(static fn(string $key): float => $sizes[$key], array_map(strval(...), array_keys($levels)));
        $amounts = array_values($levels);

        return count($levels) === 2
            ? (float) (($amounts[0] <=> $amounts[1]) * ($both[0] <=> $both[1]))
            : RankCorrelation::of($amounts, $both);
    }

    /** The first that is usual among those whose order is nearly as much that of the amounts as the best one's. */
    private static function best(Arriving $at): ?Measure
    {
        $alike = [];
        foreach ($at->scope->measures() as $key => $measure) {
            $likeness = self::isLevel($measure, $at) ? self::likeness($measure, $at) : NAN;
            if ($likeness >= self::ALIKE) {
                $alike[$key] = $likeness;
            }
        }
        $measures = array_intersect_key($at->scope->measures(), $alike);
        $least = max($alike ?: [0.0]) - self::NEARLY;
        $near = array_filter($alike, static fn(float $likeness): bool => $likeness >= $least);
        $usual = array_filter(
            array_intersect_key($measures, $near),
            static fn(Measure $m): bool => preg_match(self::USUAL, $m->name) === 1,
        );
        arsort($near);

        return array_values($usual)[0] ?? ($near === [] ? null : $measures[array_key_first($near)]);
    }
}
