<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\Benchmark;
use DuskRail\Data\Entity;
use DuskRail\Data\MeasureKind;
use DuskRail\Outcome\Comparison;

/** The data name a total, and the others do not add up to it: some are missing, or are counted twice. */
final class PartsOfATotal implements Signal
{
    private const NEAR = 0.005;

    public function notice(Comparison $comparison): ?Notice
    {
        $table = $comparison->run->origin;
        $entities = $comparison->data->entities();
        $isTotal = static fn(Entity $e): bool => Benchmark::in($e->attributes) === Benchmark::Total;
        $totals = array_filter($entities, $isTotal);
        $total = $table->series[(string) array_key_first($totals)] ?? null;
        $at = $total?->lastPosition();
        // Of several totals each may stand for a part.
        if (count($totals) !== 1 || $total === null || $at === null || $table->kind === MeasureKind::Rate) {
            return null;
        }
        $sum = 0.0;
        foreach ($table->series as $key => $series) {
            $isPart = isset($entities[$key]) && !$entities[$key]->isApart();
            $sum += $isPart && !is_nan($series->values[$at]) ? $series->values[$at] : 0.0;
        }
        $whole = $total->values[$at];
        if ($whole <= 0.0 || abs($sum / $whole - 1.0) <= self::NEAR) {
            return null;
        }

        return Notice::saying(
            "parts-{$total->key}",
            sprintf(
                'The others add up to %.0f %% of “%s” in %s.',
                100.0 * ($sum / $whole),
                $entities[$total->key]->name,
                $table->axis->period($at)->label(),
            ),
        );
    }
}
