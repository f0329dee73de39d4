<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\ValueTable;
use DuskRail\Settings\Extensible;

/** Every statistic of the peer comparison, in the order of its columns. A new one is named here. */
final class PeerStatistics
{
    /** @use Extensible<PeerStatistic> */
    use Extensible;

    /** @var list<class-string<PeerStatistic>> */
    private const STATISTICS = [
        PeerStatistics\Value::class,
        PeerStatistics\Rank::class,
        PeerStatistics\RankBefore::class,
        PeerStatistics\Percentile::class,
        PeerStatistics\GapToMedian::class,
        PeerStatistics\GapToBestQuartile::class,
        PeerStatistics\GapToBest::class,
        PeerStatistics\GapToTarget::class,
        PeerStatistics\TargetReached::class,
        PeerStatistics\LeadsTo::class,
        PeerStatistics\PaceNeeded::class,
        PeerStatistics\Pace::class,
        PeerStatistics\GapToBenchmark::class,
        PeerStatistics\Growth::class,
        PeerStatistics\Trend::class,
    ];

    /** @return list<class-string<PeerStatistic>> */
    public static function all(): array
    {
        return [...self::STATISTICS, ...self::$more];
    }

    /** @return list<PeerStatistic> those that say something of a comparison */
    public static function of(Comparison $comparison): array
    {
        $all = array_map(static fn(string $class): PeerStatistic => new $class(), self::all());

        return array_values(array_filter($all, static fn(PeerStatistic $one): bool => $one->applies($comparison)));
    }

    /** A row for each line in focus and each year, in full precision, as files have it; null without any. */
    public static function table(Comparison $comparison): ?ValueTable
    {
        $statistics = self::of($comparison);
        $rows = [];
        foreach (PeerComparison::of($comparison) as $of) {
            foreach ($of->years as $n => $year) {
                $values = array_map(
                    static fn(PeerStatistic $one): float|string => $n === 0 || $one->isYearly()
                        ? $one->value($of, $year)
                        : NAN,
                    $statistics,
                );
                $rows[] = [$of->line->name, $year->period, ...$values];
            }
        }
        $titles = array_map(static fn(PeerStatistic $one): string => $one::title(), $statistics);

        return $rows === [] ? null : new ValueTable(['Name', 'Period', ...$titles], $rows);
    }
}
