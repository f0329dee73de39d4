<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Remark;
use DuskRail\Rail\Scope;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;

/** What PerDenominator says of denominators that are constant, missing or not yet there. */
final readonly class DenominatorWords
{
    public function __construct(private PerDenominator $stop) {}

    public function note(Measure $measure, SeriesTable $arriving): string
    {
        $frequency = $arriving->axis->frequency;
        if ($measure->isTimeless) {
            return 'one denominator for all periods';
        }
        if ($frequency->isYearly() && $measure->frequency->isYearly() && $frequency !== $measure->frequency) {
            return $frequency === Frequency::FiscalYear
                ? 'each by the calendar year it begins in'
                : 'each by the fiscal year that begins in it';
        }
        if (!$frequency->isFinerThan($measure->frequency)) {
            // A level of many moments is averaged, be it under the last level of the other.
            return $measure->frequency->isFinerThan($frequency) && $measure->kind === MeasureKind::Stock
                ? "mean {$measure->name} of each {$frequency->noun()}"
                : '';
        }

        return $this->stop->between === Between::Carried
            ? "{$measure->frequency->adjective()} values, constant"
            : "interpolated between mid-{$measure->frequency->noun()}s";
    }

    /**
     * @param list<string> $held
     * @param list<Period> $ends
     * @return list<Remark>
     */
    public function newestRemark(bool $holds, Measure $measure, array $held, array $ends, int $of): array
    {
        if ($held === []) {
            return [];
        }
        $who = count($held) === $of ? '' : ' for ' . count($held) . " of {$of}";
        $when = count($ends) === 1 ? "after {$ends[0]->label()}" : 'at the end';
        $remark = $holds
            ? Remark::saying("{$measure->name} {$when} is missing{$who}; the last value is repeated.")->withRemedy(
                'Leave empty',
                ['newest' => 'blank'],
            )
            : Remark::saying("{$measure->name} {$when} is missing{$who}; left empty.")->withRemedy(
                'Repeat the last value',
                [
                    'newest' => 'held',
                ],
            );

        return [$remark];
    }

    /** @param list<float> $values */
    private static function isConstant(array $values): bool
    {
        $first = NAN;
        $present = 0;
        foreach ($values as $value) {
            if (is_nan($value)) {
                continue;
            }
            if ($present++ === 0) {
                $first = $value;
            } elseif ($value !== $first) {
                return false;
            }
        }

        return $present > 2;
    }

    /** @return list<Remark> of denominators that have more than one value, and all the same */
    public function constantRemark(SeriesTable $denominators, Measure $measure, SeriesTable $arriving): array
    {
        $constant = 0;
        if ($measure->isTimeless) {
            return [];
        }
        foreach (array_intersect_key($denominators->series, $arriving->series) as $series) {
            $constant += self::isConstant($series->values) ? 1 : 0;
        }
        $of = count($arriving->series);

        return $constant === 0
            ? []
            : [
                Remark::saying(
                    "{$measure->name} is constant for " .
                        ($constant === $of ? 'all lines' : "{$constant} of {$of} lines") .
                        '; one value may have been copied down.',
                    'Dividing by a constant does not change the shape of a line. Check the file: a real count ' .
                        'varies a little from period to period.',
                ),
            ];
    }

    /**
     * @param list<string> $keys
     * @return list<Remark>
     */
    public static function named(array $keys, Scope $scope, string $what): array
    {
        $entities = $scope->entities();
        $names = array_map(
            static fn(string $key): string => isset($entities[$key]) ? $entities[$key]->name : $key,
            $keys,
        );

        return $names === [] ? [] : [Remark::saying(Named::few($names) . ": {$what}.", implode(', ', $names))];
    }

    /**
     * The values of the denominator that hold at a position: one that is carried, or the two ends of a straight line.
     *
     * @return list<array{measure: string, ordinal: int}>
     */
    public function observations(PeriodAxis $denominators, PeriodAxis $arriving, int $position, int $last): array
    {
        if ($denominators->frequency->isFinerThan($arriving->frequency)) {
            return [];
        }
        $coarser = $arriving->frequency->isFinerThan($denominators->frequency);
        $period = $arriving->period($position);
        $place = $period->in($denominators->frequency)->ordinal - $denominators->first;
        $places = [$place];
        if ($coarser && $this->stop->between === Between::Straight) {
            $holder = $denominators->period($place);
            $places =
                $period->firstDay() + $period->lastDay() < $holder->firstDay() + $holder->lastDay()
                    ? [$place - 1, $place]
                    : [$place, $place + 1];
        }
        $places = array_unique(array_map(static fn(int $at): int => max(0, min($at, $last)), $places));

        return array_map(
            fn(int $at): array => ['measure' => $this->stop->measure, 'ordinal' => $denominators->first + $at],
            array_values($places),
        );
    }
}
