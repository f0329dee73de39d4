<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\Nature;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Formula\Expression;
use DuskRail\Rail\Formula\Quantity;
use DuskRail\Rail\Scope;
use DuskRail\Time\PeriodAxis;

/** The measures of a formula along one axis, and what it comes to. */
final class FormulaTables
{
    /**
     * Whether what comes out is weighed as what came in: 100 − a rate, a rate and another per the same.
     *
     * Quantity sees to it that rates are only added and scaled, so that a weighted mean of them means the same.
     */
    public static function keepsWeights(Expression $expression, SeriesTable $arriving, Scope $scope): bool
    {
        if ($arriving->weights === null || $arriving->nature !== Nature::Quotient || $expression->divisor() !== null) {
            return false;
        }
        foreach (array_diff($expression->measures(), [Formula::HERE]) as $key) {
            $other = $scope->table($key);
            if (
                $other->weights === null ||
                $other->axis != $arriving->axis ||
                ($other->weights)() != ($arriving->weights)()
            ) {
                return false;
            }
        }

        return in_array(Formula::HERE, $expression->measures(), true);
    }

    /**
     * Groups are calculated of sums of the same members: those that have all parts of the formula.
     *
     * @param array<string, array<array-key, list<float>>> $laid
     * @param bool $twice whether it divides twice, so that groups have no value
     * @return array{SeriesTable, array<string, array<array-key, list<float>>>}
     */
    public static function pooled(
        Expression $expression,
        SeriesTable $arriving,
        array $laid,
        Scope $scope,
        bool $twice,
    ): array {
        $here = array_map(static fn(Series $s): array => $s->values, $arriving->series);
        $parts = in_array(Formula::HERE, $expression->measures(), true) ? [Formula::HERE => $here] : [];
        foreach ($scope->pools as $pool) {
            if (!isset($arriving->series[$pool->key])) {
                continue;
            }
            $sums = $twice
                ? array_fill(0, count($parts) + count($laid), array_fill(0, $arriving->axis->count, NAN))
                : $pool->alike(array_values([...$parts, ...$laid]), $arriving);
            foreach (array_keys([...$parts, ...$laid]) as $at => $measure) {
                if ($measure === Formula::HERE) {
                    $arriving = $arriving->with(new Series($pool->key, $sums[$at]));
                } elseif (isset($laid[$measure][$pool->key])) {
                    $laid[$measure][$pool->key] = $sums[$at];
                }
            }
        }

        return [$arriving, $laid];
    }

    /**
     * The measures that the formula names, along the periods that arrive.
     *
     * @return array<string, array<array-key, list<float>>> by measure and entity; under an empty name what holds
     *     for all
     */
    public static function laid(Expression $expression, SeriesTable $arriving, Scope $scope): array
    {
        $laid = [];
        foreach (array_diff($expression->measures(), [Formula::HERE]) as $measure) {
            $laid[$measure] = self::along($scope->table($measure), $arriving->axis);
        }

        return $laid;
    }

    /** @return array<array-key, list<float>> */
    private static function along(SeriesTable $table, PeriodAxis $axis): array
    {
        $alignment = Alignment::of($table, $axis, Between::Carried, false);
        $along = [];
        foreach ($table->series as $key => $series) {
            [$figures, $places] = $alignment->laid($series);
            $along[$key] = array_map(static fn(int $place): float => $figures[$place] ?? NAN, $places);
        }

        return count($along) === 1 ? ['' => reset($along)] + $along : $along;
    }

    /**
     * @param list<float> $here
     * @param array<string, array<array-key, list<float>>> $laid
     * @param-out bool $divided whether zero was divided by somewhere
     * @return list<float>
     */
    public static function worked(
        Expression $expression,
        array $here,
        string $key,
        array $laid,
        ?bool &$divided,
    ): array {
        $divided = false;
        $count = count($here);

        return $expression->fold(
            static fn(float $number): array => array_fill(0, $count, $number),
            static fn(string $measure): array => $measure === Formula::HERE
                ? $here
                : $laid[$measure][$key] ?? ($laid[$measure][''] ?? array_fill(0, $count, NAN)),
            static function (string $sign, array $a, array $b) use (&$divided): array {
                if ($sign === '÷' && in_array(0.0, $b, true)) {
                    $divided = true;
                    $b = array_map(static fn(float $v): float => $v === 0.0 ? NAN : $v, $b);
                }
                $joined = [];
                foreach ($a as $i => $value) {
                    $joined[] = match ($sign) {
                        '+' => $value + $b[$i],
                        '−' => $value - $b[$i],
                        '×' => $value * $b[$i],
                        default => $value / $b[$i],
                    };
                }

                return $joined;
            },
        );
    }
}
