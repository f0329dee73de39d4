<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Scope;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;

/** Where the base of each series is, and its mean there, by the settings of IndexToBase. */
final readonly class BasePositions
{
    public function __construct(private IndexToBase $stop) {}

    /** The lines moved so that the first period of every base is number 0. */
    public function aligned(SeriesTable $indexed, SeriesTable $arriving, Scope $scope): SeriesTable
    {
        $starts = [];
        foreach ($arriving->series as $key => $series) {
            [$from, $to] = $this->basePositions(
                $series->values,
                $arriving->axis,
                $scope->entities()[$key]->attributes ?? [],
            );
            if ($from <= $to) {
                $starts[$key] = $from;
            }
        }
        if ($starts === []) {
            return $indexed;
        }
        $count = $arriving->axis->count;
        $axis = PeriodAxis::of(Frequency::Number, -max($starts), $count + max($starts) - min($starts));
        $series = [];
        foreach ($indexed->series as $key => $one) {
            $before = isset($starts[$key]) ? -$starts[$key] - $axis->first : 0;
            $values = isset($starts[$key]) ? $one->values : array_fill(0, $count, NAN);
            $series[] = new Series($key, [
                ...array_fill(0, $before, NAN),
                ...$values,
                ...array_fill(0, $axis->count - $count - $before, NAN),
            ]);
        }

        return new SeriesTable($axis, $indexed->unit, $indexed->kind, $series, nature: $indexed->nature);
    }

    /**
     * @param list<float> $values
     * @param array<string, string> $attributes
     * @return array{int, int} first and last position of the base; an empty stretch when there is none
     */
    public function basePositions(array $values, PeriodAxis $axis, array $attributes): array
    {
        if ($this->stop->at === 'period') {
            return $axis->positions($this->stop->base) ?? [0, -1];
        }
        if ($this->stop->at === 'event') {
            $year = $attributes[$this->stop->event] ?? '';

            return preg_match('/^\d{4}$/', $year) === 1
                ? $axis->positions(PeriodRange::parse($year)) ?? [0, -1]
                : [0, -1];
        }
        $chosen = null;
        foreach ($values as $position => $value) {
            if (!is_nan($value) && ($chosen === null || ($this->stop->at === 'highest' && $value > $values[$chosen]))) {
                $chosen = $position;
            }
        }

        return $chosen === null ? [0, -1] : [$chosen, $chosen];
    }

    /**
     * @param list<float> $values
     * @return array{float, int} mean of the values that are there (NAN when none is), and how many are
     */
    public static function mean(array $values, int $from, int $to): array
    {
        $sum = 0.0;
        $present = 0;
        for ($i = $from; $i <= $to; $i++) {
            if (!is_nan($values[$i])) {
                $sum += $values[$i];
                $present++;
            }
        }

        return [$present === 0 ? NAN : $sum / $present, $present];
    }

    public static function isCovered(SeriesTable $table, PeriodRange $range): bool
    {
        $positions = $table->axis->positions($range);
        if ($positions === null || $positions[1] - $positions[0] + 1 < $range->at($table->axis->frequency)->count()) {
            return false;
        }
        $whole = 0;
        foreach ($table->series as $series) {
            $whole += self::mean($series->values, ...$positions)[1] === $positions[1] - $positions[0] + 1 ? 1 : 0;
        }

        return $whole * 2 > count($table->series);
    }

    /** How much of a range an axis reaches, where it is not all: `6 of 12 months`. */
    public static function reached(PeriodRange $range, PeriodAxis $axis): string
    {
        if (($range->first->frequency === Frequency::Number) !== ($axis->frequency === Frequency::Number)) {
            return '';
        }
        $wished = $range->at($axis->frequency)->count();
        $positions = $axis->positions($range);
        $there = $positions === null ? 0 : $positions[1] - $positions[0] + 1;

        return in_array($there, [0, $wished], true) ? '' : "{$there} of {$wished} {$axis->frequency->noun()}s";
    }
}
