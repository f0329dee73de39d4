<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Parts\VariationPart;
use DuskRail\Statistics\IndividualsChart;
use DuskRail\Statistics\Seasonality;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\UnknownPeriod;

/** The ordinary variation of the first line in focus, where it is asked for, and what of the line is beyond it. */
final readonly class Variation
{
    /**
     * @param list<int> $beyond positions that the rules find, within the periods shown
     */
    private function __construct(
        public Line $line,
        public IndividualsChart $chart,
        public array $beyond,
    ) {}

    /** @return self|null null where it is not asked for, or the baseline is too short */
    public static function of(Comparison $comparison): ?self
    {
        $part = $comparison->study->part(VariationPart::class);
        $line = $comparison->focus()[0] ?? null;
        if ($part->limits !== 'shown' || $line === null || $comparison->run->table()->nature->isPlace()) {
            return null;
        }
        // What is incomplete would be outside for being short.
        $until = $comparison->finished();
        $values = array_slice($line->values, 0, $until + 1);
        $baseline = $part->baseline === '' ? [$comparison->from, $until] : self::baseline($comparison, $part->baseline);
        $chart = $baseline === null ? null : IndividualsChart::of($values, $baseline[0], min($baseline[1], $until));
        if ($chart === null) {
            return null;
        }
        $beyond = [
            ...$part->outside ? $chart->outside() : [],
            ...$part->run ? $chart->runs() : [],
            ...$part->trend ? $chart->trends() : [],
        ];
        $shown = array_filter($beyond, static fn(int $at): bool => $at >= $comparison->from && $at <= $until);
        sort($shown);

        return new self($line, $chart, array_values(array_unique($shown)));
    }

    /** Whether the values swing with the seasons, which limits of ordinary variation take no account of. */
    public static function isSeasonal(Comparison $comparison, Line $line): bool
    {
        $values = array_slice($line->values, $comparison->from, $comparison->finished() - $comparison->from + 1);

        return Seasonality::isClear($values, $comparison->seasonLeft()) === true;
    }

    /** @return array{int, int}|null positions; null where the data have no such periods */
    private static function baseline(Comparison $comparison, string $baseline): ?array
    {
        try {
            return $comparison->axis->positions(PeriodRange::parse($baseline)->at($comparison->axis->frequency));
        } catch (UnknownPeriod) {
            return null;
        }
    }
}
