<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Parts\VariationPart;
use DuskRail\Statistics\Equality;
use DuskRail\Statistics\IndividualsChart;
use DuskRail\Statistics\Seasonality;
use DuskRail\Time\PeriodRange;
use DuskRail\Time\UnknownPeriod;

/** The ordinary variation of the first line in focus, where it is asked for, and what of the line is beyond it. */
final readonly class Variation
{
    /**
     * @param list<int> $beyond positions that the rules find, within the periods shown
     * @param int $from first position shown
     */
    private function __construct(
        public Line $line,
        public IndividualsChart $chart,
        public array $beyond,
        private int $from,
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

        return new self($line, $chart, array_values(array_unique($shown)), $comparison->from);
    }

    /**
     * Since when every value up to the latest has been beyond the limit on the side of the latest.
     *
     * @return int|null position within the periods shown; null where its latest value is within the limits
     */
    public function outsideSince(): ?int
    {
        $isLow = $this->line->latest() < $this->chart->middle;
        $limit = $isLow ? $this->chart->lower : $this->chart->upper;

        return $this->heldSince(
            static fn(float $v): bool => !Equality::holds($v, $limit) && ($isLow ? $v < $limit : $v > $limit),
        );
    }

    /**
     * Since when every value up to the latest has been on the side of the middle that the latest is on, where they are
     * enough to be called a run.
     *
     * @return array{int, int}|null first position within the periods shown, and how many values
     */
    public function runSince(): ?array
    {
        $isLow = $this->line->latest() < $this->chart->middle;
        $side = $isLow ? -1 : 1;
        $since = $this->heldSince(fn(float $v): bool => Equality::compare($v, $this->chart->middle) === $side);
        $count = count(
            array_filter(
                array_slice($this->line->values, $since ?? 0, ($this->line->current ?? -1) - ($since ?? 0) + 1),
                static fn(float $v): bool => !is_nan($v),
            ),
        );

        return $since === null || $count < IndividualsChart::RUN ? null : [$since, $count];
    }

    /** @param callable(float): bool $holds for a value */
    private function heldSince(callable $holds): ?int
    {
        $since = null;
        for ($at = $this->line->current; $at !== null && $at >= $this->from; $at--) {
            $value = $this->line->values[$at];
            if (!is_nan($value) && !$holds($value)) {
                break;
            }
            $since = is_nan($value) ? $since : $at;
        }

        return $since;
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
