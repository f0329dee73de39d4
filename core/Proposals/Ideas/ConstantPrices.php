<?php

declare(strict_types=1);

namespace DuskRail\Proposals\Ideas;

use DuskRail\Data\Measure;
use DuskRail\Data\Numerals;
use DuskRail\Proposals\Arriving;
use DuskRail\Proposals\Idea;
use DuskRail\Proposals\Proposal;
use DuskRail\Rail\Stops\RealTerms;
use DuskRail\Time\PeriodRange;

/** Money over years in which prices changed is compared at the prices of one of them. */
final class ConstantPrices implements Idea
{
    /** Smaller changes of prices than this share make no difference that can be seen. */
    private const LEAST = 0.05;

    public function of(Arriving $at): ?Proposal
    {
        $measure = $at->comparison->measure;
        $prices = self::prices($at);
        $axis = $at->table->axis;
        if ($prices === null || !$measure->isMoney()) {
            return null;
        }
        $table = $at->scope->table($prices->key);
        $known = array_values($table->series)[0]->values ?? [];
        $year = static fn(int $position): string => (string) $axis->period($position)->yearNumber();
        $level = static function (string $of) use ($table, $known): float {
            $positions = $table->axis->positions(PeriodRange::parse($of));

            return $positions === null
                ? NAN
                : Arriving::median(array_slice($known, $positions[0], $positions[1] - $positions[0] + 1));
        };
        [$first, $last] = [$year($at->comparison->from), $year(max($at->comparison->from, $at->comparison->reference))];
        $change = $level($last) / $level($first) - 1.0;
        if (is_nan($change) || abs($change) < self::LEAST) {
            return null;
        }
        $percent = Numerals::count(abs(100 * $change));
        $went = $change > 0.0 ? 'rose' : 'fell';

        return Proposal::because(
            "it is money, and prices {$went} by {$percent} % from {$first} to {$last}",
            new RealTerms($prices->key, PeriodRange::parse($last)),
            $at,
        );
    }

    private static function prices(Arriving $at): ?Measure
    {
        foreach (RealTerms::candidates($at->scope) as $measure) {
            if (PriceChange::isPriceIndex($measure) && $measure->key !== $at->comparison->measure->key) {
                return $measure;
            }
        }

        return null;
    }
}
