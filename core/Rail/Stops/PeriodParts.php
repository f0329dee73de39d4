<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Completeness;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Nature;
use DuskRail\Data\Numerals;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Outcome;
use DuskRail\Rail\Pool;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;

/** Which values make each longer period, and what they come to, by the settings of ChangeOfPeriod. */
final readonly class PeriodParts
{
    public function __construct(private ChangeOfPeriod $stop) {}

    /**
     * The ratio of the sums in each of the coarser periods. Where a part of a period is missing, there is none; which
     * parts have no weight is said.
     *
     * @param list<list<int>> $taken
     */
    public function ofParts(
        SeriesTable $arriving,
        PeriodAxis $target,
        array $taken,
        Completeness $extent,
        Scope $scope,
    ): Outcome {
        $weights = $arriving->weights === null ? [] : ($arriving->weights)();
        $series = [];
        $below = array_intersect_key($weights, [Weights::COMMON => true]);
        foreach ($arriving->series as $key => $one) {
            [$parts, $divisors] = Weights::parts($one->values, $weights[$key] ?? null);
            $above = $under = [];
            foreach ($taken as $positions) {
                $own = array_flip($positions);
                $above[] = $positions === [] ? NAN : array_sum(array_intersect_key($parts, $own));
                $under[] = $positions === [] ? NAN : array_sum(array_intersect_key($divisors, $own));
            }
            $below[(string) $key] = $under;
            $series[] = new Series((string) $key, Weights::quotients($above, $under));
        }
        $table = new SeriesTable($target, $arriving->unit, $arriving->kind, $series, nature: $arriving->nature);
        $out = $this->stop->unfinished === 'out' && $extent->open !== null;

        return new Outcome(
            $table->weighedBy(static fn(): array => $below)->reaching(
                $out ? Completeness::whole($extent->parts) : $extent,
            ),
            [...$this->stop->remarks($extent, $target, $taken), ...self::unweighted($arriving, $weights, $scope)],
        );
    }

    /**
     * @param array<string, list<float>> $weights
     * @return list<Remark> whose values have nothing to be weighted by, and how many of them
     */
    private static function unweighted(SeriesTable $arriving, array $weights, Scope $scope): array
    {
        $all = $missing = 0;
        $names = [];
        $pools = array_map(static fn(Pool $pool): string => $pool->key, $scope->pools);
        foreach (array_diff_key($arriving->series, array_flip($pools)) as $key => $one) {
            foreach ($one->values as $i => $value) {
                $isUnknown = !is_nan($value) && is_nan($weights[$key][$i] ?? NAN);
                $all += is_nan($value) ? 0 : 1;
                $missing += $isUnknown ? 1 : 0;
                if ($isUnknown) {
                    $names[$key] = $scope->nameOf((string) $key);
                }
            }
        }

        return $missing === 0
            ? []
            : [
                Remark::saying(
                    Named::few(array_values($names)) .
                        ': ' .
                        Numerals::text((100.0 * $missing) / $all, 1) .
                        ' % of all values have nothing to be weighted by; those periods are empty.',
                    implode(', ', $names),
                ),
            ];
    }

    /**
     * Figures of single dates by the period that they are in: the sum of what came about, where a period between the
     * first and the last date without any is zero; of levels the last of them, the first, or their mean.
     */
    public function ofDates(SeriesTable $arriving, PeriodAxis $target): SeriesTable
    {
        $series = [];
        foreach ($arriving->series as $key => $one) {
            $values = [];
            $dates = $this->dates($one->values, $arriving->axis, $target);
            $filled = array_keys(array_filter($dates));
            [$first, $last] = $filled === [] ? [0, -1] : [$filled[0], $filled[count($filled) - 1]];
            foreach ($dates as $at => $positions) {
                $parts = array_map(static fn(int $i): float => $one->values[$i], $positions);
                $values[] = match (true) {
                    $arriving->kind === MeasureKind::Flow => $at < $first || $at > $last ? NAN : array_sum($parts),
                    $parts === [] => NAN,
                    $this->stop->level === 'first' => $parts[0],
                    $this->stop->level === 'mean' => array_sum($parts) / count($parts),
                    default => $parts[count($parts) - 1],
                };
            }
            $series[] = new Series((string) $key, $values);
        }

        $isSum = $arriving->kind === MeasureKind::Flow;

        return new SeriesTable(
            $target,
            $isSum
                ? $arriving->unit->insteadOf($arriving->axis->frequency, $this->stop->to->noun())
                : $arriving->unit,
            $arriving->kind,
            $series,
            nature: $arriving->nature,
        );
    }

    /**
     * @param list<float> $values
     * @return list<list<int>> positions of the data that are in each of the coarser periods
     */
    public function dates(array $values, PeriodAxis $axis, PeriodAxis $target): array
    {
        $dates = array_fill(0, $target->count, []);
        foreach ($values as $i => $value) {
            if (!is_nan($value)) {
                $dates[$axis->period($i)->in($this->stop->to)->ordinal - $target->first][] = $i;
            }
        }

        return $dates;
    }

    /**
     * Which values make each of the coarser periods; none where some are missing. The latest may be incomplete: then
     * the same part of it is taken of every line, so that they compare.
     *
     * @return array{list<list<int>>, Completeness}
     */
    public function taken(SeriesTable $arriving, PeriodAxis $target): array
    {
        $axis = $arriving->axis;
        if (!$this->stop->season->isWhole()) {
            return [$this->takenOfSeasons($axis, $target), Completeness::whole($axis->frequency)];
        }
        $taken = array_fill(0, $target->count, []);
        for ($i = 0; $i < $axis->count; $i++) {
            $taken[$axis->period($i)->in($this->stop->to)->ordinal - $target->first][] = $i;
        }
        $last = self::newest($arriving);
        $at = $last < 0 ? -1 : $axis->period($last)->in($this->stop->to)->ordinal - $target->first;
        $extent = Completeness::whole($arriving->extent->parts ?? $axis->frequency);
        foreach ($taken as $i => $positions) {
            $period = $target->period($i);
            $all = PeriodRange::between($period, $period)->at($axis->frequency);
            $begins = $positions !== [] && $axis->period($positions[0])->ordinal === $all->first->ordinal;
            $whole = count($positions) === $all->count();
            if ($i !== $at || !$begins) {
                $taken[$i] = $whole ? $positions : [];
                continue;
            }
            $until = self::common($arriving, $positions);
            if ($whole && $until === end($positions) && ($arriving->open() ?? INF) > $until) {
                continue;
            }
            $extent = $this->unfinished($arriving, $extent->parts, $period, $i, $until);
            $taken[$i] = $this->stop->unfinished === 'out' ? [] : range($positions[0], $until);
        }

        return [$taken, $extent];
    }

    private function unfinished(
        SeriesTable $arriving,
        Frequency $parts,
        Period $period,
        int $position,
        int $until,
    ): Completeness {
        $newest = $arriving->axis->period($until);

        return Completeness::unfinished(
            $parts,
            $period,
            $position,
            $arriving->extent?->days($newest, $until)[1] ?? $newest->lastDay(),
            $this->stop->unfinished === 'scaled',
        );
    }

    /** An axis of the years that have the season, whole or in part. */
    public function seasons(PeriodAxis $axis): PeriodAxis
    {
        $years = [];
        for ($i = 0; $i < $axis->count; $i++) {
            $years[] = $this->stop->season->yearOf($axis->period($i));
        }
        $years = array_filter($years, is_int(...)) ?: [$axis->period(0)->yearNumber()];
        $at = fn(int $year): Period => $this->stop->season->turns() ? Period::fiscalYear($year) : Period::year($year);

        return PeriodAxis::along(PeriodRange::between($at(min($years)), $at(max($years))));
    }

    /** @return list<list<int>> positions of each season; none of one that the data do not have whole */
    private function takenOfSeasons(PeriodAxis $axis, PeriodAxis $target): array
    {
        $taken = array_fill(0, $target->count, []);
        for ($i = 0; $i < $axis->count; $i++) {
            $year = $this->stop->season->yearOf($axis->period($i));
            if ($year !== null) {
                $taken[$year - $target->first][] = $i;
            }
        }
        foreach ($taken as $n => $positions) {
            $whole = $this->stop->season->in($target->first + $n, $axis->frequency)->count();
            $taken[$n] = count($positions) === $whole ? $positions : [];
        }

        return $taken;
    }

    /** Position of the latest value of any line, or −1. */
    private static function newest(SeriesTable $table): int
    {
        return max(
            -1,
            ...array_values(array_map(static fn(Series $s): int => $s->lastPosition() ?? -1, $table->series)),
        );
    }

    /**
     * Up to where a period has come in for at least half of the lines that have any value in it.
     *
     * @param non-empty-list<int> $positions
     */
    private static function common(SeriesTable $table, array $positions): int
    {
        $lasts = [];
        foreach ($table->series as $series) {
            $last = $series->lastPosition($positions[0], $positions[count($positions) - 1]);
            if ($last !== null) {
                $lasts[] = $last;
            }
        }
        rsort($lasts);

        return $lasts[intdiv(count($lasts) - 1, 2)];
    }

    /** @return list<int> days of each period where values are per day, and each day is to count the same; else none */
    public static function days(SeriesTable $arriving): array
    {
        return $arriving->nature === Nature::Daily ? DaysOf::each($arriving) : [];
    }

    /**
     * The mean of amounts per day, in which each day counts the same.
     *
     * @param list<float> $values
     * @param list<int> $positions
     * @param list<int> $days of each period of the data
     */
    private static function daily(array $values, array $positions, array $days): float
    {
        $sum = $of = 0.0;
        foreach ($positions as $i) {
            $sum += $values[$i] * $days[$i];
            $of += $days[$i];
        }

        return $of > 0.0 ? $sum / $of : NAN;
    }

    /**
     * @param list<float> $values
     * @param list<int> $positions
     * @param list<int> $days as days() has them
     */
    public function combined(array $values, array $positions, MeasureKind $kind, array $days): float
    {
        if ($positions === []) {
            return NAN;
        }
        if ($days !== []) {
            return self::daily($values, $positions, $days);
        }
        $parts = array_slice($values, $positions[0], count($positions));
        $sum = array_sum($parts);

        return match (true) {
            // One that is missing makes the sum missing.
            is_nan($sum), $kind === MeasureKind::Flow => $sum,
            $this->stop->level === 'first' => $parts[0],
            $this->stop->level === 'mean' => $sum / count($parts),
            default => $parts[count($parts) - 1],
        };
    }
}
