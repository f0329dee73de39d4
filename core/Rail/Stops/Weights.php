<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Cell;
use DuskRail\Data\DataSource;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Pool;
use DuskRail\Rail\Scope;

/** What ratios are weighed by, so that several of them together are a ratio of sums. */
final class Weights
{
    /**
     * Among the weights where all have the same denominator, as the working days of a country: what several come to
     * together is their sum per that, and no mean.
     */
    public const COMMON = '~common';

    /**
     * Denominators with the one of all laid under each line: where there is only one, and it is of a benchmark or of
     * one that has no line here, as a country's beside its districts.
     */
    public static function shared(SeriesTable $denominators, SeriesTable $arriving, Scope $scope): SeriesTable
    {
        $pools = array_flip(array_map(static fn(Pool $pool): string => $pool->key, $scope->pools));
        $own = array_diff_key($denominators->series, $pools);
        $only = (string) array_key_first($own);
        $isOfAll = !isset($arriving->series[$only]) || ($scope->entities()[$only] ?? null)?->isBenchmark() === true;
        if (count($own) !== 1 || !$isOfAll || $arriving->series === []) {
            return $denominators;
        }
        $table = $denominators->only(static fn(string $key): bool => $key === (string) $only);
        foreach (array_keys($arriving->series) as $key) {
            $table = $table->with(new Series((string) $key, $own[$only]->values));
        }

        return $table->with(new Series(self::COMMON, $own[$only]->values));
    }

    /** A published rate with the measure that it is per, where that is known and can be a denominator. */
    public static function givenTo(SeriesTable $rates, Measure $measure, DataSource $data, ?Cell $cell): SeriesTable
    {
        $per = $data->measures()[$measure->per] ?? null;
        if ($measure->kind !== MeasureKind::Rate || $per === null || !$per->canDivide()) {
            return $rates;
        }

        return $rates->weighedBy(static function () use ($rates, $per, $data, $cell): array {
            $denominators = $data->table($per->key, $cell);

            // A level goes on; what was run in a period that is not in yet is not known.
            $holds = $per->kind === MeasureKind::Stock;

            return self::laid($denominators, Alignment::of($denominators, $rates->axis, Between::Carried, $holds));
        });
    }

    /** @return array<string, list<float>> by entity key, along the axis that denominators are laid on */
    public static function laid(SeriesTable $denominators, Alignment $alignment): array
    {
        $weights = [];
        foreach ($denominators->series as $key => $series) {
            [$figures, $places] = $alignment->laid($series);
            $own = [];
            foreach ($places as $place) {
                $own[] = $figures[$place];
            }
            $weights[$key] = $own;
        }

        return $weights;
    }

    /**
     * Weights times a number for each period.
     *
     * @param array<string, list<float>> $weights
     * @param list<int|float> $by along the axis; none for as they are
     * @return array<string, list<float>>
     */
    public static function times(array $weights, array $by): array
    {
        foreach ($by === [] ? [] : $weights as $key => $own) {
            foreach ($own as $i => $weight) {
                $own[$i] = $weight * $by[$i];
            }
            $weights[$key] = $own;
        }

        return $weights;
    }

    /**
     * Quotients times what they were divided by, and what they were divided by, missing where either is.
     *
     * @param list<float> $ratios
     * @param list<float>|null $weights null where nothing is known of them
     * @return array{list<float>, list<float>}
     */
    public static function parts(array $ratios, ?array $weights): array
    {
        $above = $below = [];
        // A sum is a number exactly when every value is, and asking it is far cheaper than asking each of them.
        if ($weights !== null && is_finite(array_sum($ratios) + array_sum($weights))) {
            foreach ($ratios as $i => $quotient) {
                $above[] = $quotient * $weights[$i];
            }

            return [$above, $weights];
        }
        foreach ($ratios as $i => $quotient) {
            $above[] = $part = $quotient * ($weights[$i] ?? NAN);
            $below[] = is_nan($part) ? NAN : $weights[$i] ?? NAN;
        }

        return [$above, $below];
    }

    /**
     * @param list<float> $above
     * @param list<float> $below
     * @return list<float> NAN where there is nothing to divide by
     */
    public static function quotients(array $above, array $below): array
    {
        $ratios = [];
        if ($below !== [] && min($below) > 0.0 && is_finite(array_sum($below))) {
            foreach ($above as $i => $part) {
                $ratios[] = $part / $below[$i];
            }

            return $ratios;
        }
        foreach ($above as $i => $part) {
            $ratios[] = is_nan($below[$i]) || $below[$i] <= 0.0 ? NAN : $part / $below[$i];
        }

        return $ratios;
    }
}
