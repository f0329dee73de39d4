<?php

declare(strict_types=1);

namespace DuskRail\Signals;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\LinesPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Rail\Pool;

/** Groups are sums of levels that are much alike for all, as ages or prices are and sizes are not. */
final class SumsOfLevels implements Signal
{
    private const FEWEST = 5;

    /** Sizes differ more than so many times; common practice, no source. */
    private const ALIKE = 3.0;

    public function notice(Comparison $comparison): ?Notice
    {
        $part = $comparison->study->part(LinesPart::class);
        $origin = $comparison->run->origin;
        if ($part->groups === [] || $part->together !== 'sum' || $origin->kind !== MeasureKind::Stock) {
            return null;
        }
        $sums = array_filter(
            $comparison->data->pools,
            static fn(Pool $pool): bool => !$pool->averaged && count($pool->members) > 1,
        );
        $latest = [];
        foreach (array_intersect_key($origin->series, $comparison->data->entities()) as $series) {
            $last = $series->lastPosition();
            if ($last !== null) {
                $latest[] = $series->values[$last];
            }
        }
        if ($sums === [] || count($latest) < self::FEWEST || min($latest) <= 0.0) {
            return null;
        }
        [$low, $high] = [min($latest), max($latest)];
        $decimals = Numerals::decimals($latest);

        return $high / $low >= self::ALIKE
            ? null
            : Notice::saying(
                'sums-of-levels',
                'The group lines are sums of levels that are much alike for all, ' .
                    Numerals::text($low, $decimals) .
                    ' to ' .
                    Numerals::text($high, $decimals) .
                    '. Of ages, prices or means a sum means nothing.',
            )->withRemedy('Show the mean', 'set', [
                'part' => LinesPart::name(),
                'settings' => ['together' => 'mean'],
            ]);
    }
}
