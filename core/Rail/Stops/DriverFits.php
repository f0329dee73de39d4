<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\SeriesTable;
use DuskRail\Peers\Expectation;
use DuskRail\Rail\Explanation;
use DuskRail\Rail\Scope;

/** What the peers of each period are expected to have by their drivers, by the settings of AllowFor. */
final readonly class DriverFits
{
    public function __construct(private AllowFor $stop) {}

    /** @return list<array<array-key, list<float>>> the drivers along the axis that arrives, by entity */
    public function laid(SeriesTable $arriving, Scope $scope): array
    {
        return array_map(static function (string $key) use ($arriving, $scope): array {
            $table = $scope->table($key);

            // A level goes on; what came about in a period that is not in yet is not known.
            $holds = $table->kind !== MeasureKind::Flow;

            return Weights::laid($table, Alignment::of($table, $arriving->axis, Between::Carried, $holds));
        }, $this->stop->drivers());
    }

    /**
     * The peers that have their value and all drivers, by position.
     *
     * @param list<array<array-key, list<float>>> $laid the drivers, as laid() has them
     * @return list<array<array-key, list<float>>> rows by entity: the value, then the drivers
     */
    public function rows(SeriesTable $arriving, Scope $scope, array $laid): array
    {
        $rows = array_fill(0, $arriving->axis->count, []);
        foreach ($scope->peers($arriving) as $key => $values) {
            foreach ($values as $i => $value) {
                $row = [$value, ...self::driversAt($laid, (string) $key, $i)];
                if (is_finite(array_sum($row))) {
                    $rows[$i][$key] = $row;
                }
            }
        }

        return array_values($rows);
    }

    /**
     * @param list<array<array-key, list<float>>> $laid
     * @return list<float>
     */
    public static function driversAt(array $laid, string $key, int $position): array
    {
        return array_map(static fn(array $driver): float => $driver[$key][$position] ?? NAN, $laid);
    }

    /**
     * @param list<array<array-key, list<float>>> $rows
     * @return array<int, Expectation> by position, where there are peers enough
     */
    public function fits(array $rows): array
    {
        $needed = AllowFor::PEERS_A_DRIVER * count($this->stop->drivers());
        $all = array_merge(...array_map(array_values(...), $rows));
        // One scale for all periods, so that they compare.
        [$isLog, $logs] = $this->scales($all);
        $fits = [];
        $one = $this->stop->over === 'all' ? $this->fit($all, $logs, $isLog) : null;
        foreach ($rows as $i => $own) {
            $fit =
                $this->stop->over === 'all'
                    ? $one
                    : (count($own) < $needed
                        ? null
                        : $this->fit(array_values($own), $logs, $isLog));
            if ($fit !== null) {
                $fits[$i] = $fit;
            }
        }

        return $fits;
    }

    /**
     * @param list<list<float>> $rows
     * @return array{bool, list<bool>}
     */
    private function scales(array $rows): array
    {
        $columns = [];
        for ($j = 0; $j <= count($this->stop->drivers()); $j++) {
            $columns[] = array_column($rows, $j);
        }
        $asked = Expectation::scales($columns);
        if ($this->stop->scale === 'logs') {
            $asked = array_map(static fn(array $c): bool => $c !== [] && min($c) > 0.0, $columns);
        }
        $asked = $this->stop->scale === 'plain' ? array_fill(0, count($columns), false) : $asked;

        return [$asked[0], array_slice($asked, 1)];
    }

    /**
     * @param list<list<float>> $rows
     * @param list<bool> $logs
     */
    private function fit(array $rows, array $logs, bool $isLog): ?Expectation
    {
        $drivers = [];
        foreach (array_keys($this->stop->drivers()) as $j) {
            $drivers[] = array_column($rows, $j + 1);
        }

        return Expectation::fit($drivers, array_column($rows, 0), $logs, $isLog, $this->stop->method === 'medians');
    }

    /**
     * The fit of the latest period that has one.
     *
     * @param list<array<array-key, list<float>>> $rows
     * @param array<int, Expectation> $fits
     * @return array{Expectation|null, int, array<array-key, list<float>>} with its position, and the peers it is of
     */
    public static function newest(array $rows, array $fits): array
    {
        $at = count($rows) - 1;
        while ($at >= 0 && (!isset($fits[$at]) || $rows[$at] === [])) {
            $at--;
        }

        return [$fits[$at] ?? null, $at, $rows[$at] ?? []];
    }

    /**
     * What is expected when each peer in turn is left out.
     *
     * @param list<array<array-key, list<float>>> $rows
     * @param list<float> $drivers
     * @return array{string, string} the least and the most
     */
    public function withoutOne(array $rows, int $position, array $drivers): array
    {
        $all = array_merge(...array_map(array_values(...), $rows));
        [$isLog, $logs] = $this->scales($all);
        $expected = [];
        foreach (array_keys($rows[$position]) as $left) {
            $others =
                $this->stop->over === 'all'
                    ? array_merge(
                        ...array_map(
                            static fn(array $r): array => array_values(array_diff_key($r, [$left => 1])),
                            $rows,
                        ),
                    )
                    : array_values(array_diff_key($rows[$position], [$left => 1]));
            $value = $this->fit($others, $logs, $isLog)?->at($drivers) ?? NAN;
            if (!is_nan($value)) {
                $expected[] = $value;
            }
        }

        return $expected === []
            ? ['nothing', 'nothing']
            : [Explanation::number(min($expected)), Explanation::number(max($expected))];
    }
}
