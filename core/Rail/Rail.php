<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\DataSource;
use DuskRail\Data\SeriesTable;
use DuskRail\Rail\Stops\Formula;
use DuskRail\Settings\InvalidSetting;

/** The calculations of a study in the order in which they are done. */
final readonly class Rail
{
    public const MOST_STOPS = 24;

    /** @param list<PlacedStop> $stops */
    private function __construct(public array $stops) {}

    /** @throws InvalidSetting when there are too many, or two with one id */
    public static function of(PlacedStop ...$stops): self
    {
        if (count($stops) > self::MOST_STOPS) {
            throw InvalidSetting::because('Rail', 'it holds ' . self::MOST_STOPS . ' stops at most. Remove one first.');
        }
        $ids = array_map(static fn(PlacedStop $s): string => $s->id, $stops);
        if (count(array_unique($ids)) < count($ids)) {
            throw InvalidSetting::because('Rail', 'two stops have the same id.');
        }

        return new self(array_values($stops));
    }

    public function with(Stop $stop): self
    {
        return $this->inserting($stop, count($this->stops));
    }

    /** With one more stop before the one at a position. */
    public function inserting(Stop $stop, int $position): self
    {
        $number = 1;
        while ($this->position("s{$number}") !== null) {
            $number++;
        }
        $stops = $this->stops;
        array_splice($stops, $position, 0, [new PlacedStop("s{$number}", $stop)]);

        return self::of(...$stops);
    }

    /** The first stops alone. */
    public function until(int $count): self
    {
        return new self(array_slice($this->stops, 0, $count));
    }

    public function without(string $id): self
    {
        return new self(array_values(array_filter($this->stops, static fn(PlacedStop $s): bool => $s->id !== $id)));
    }

    public function replacing(PlacedStop $new): self
    {
        return new self(
            array_map(static fn(PlacedStop $s): PlacedStop => $s->id === $new->id ? $new : $s, $this->stops),
        );
    }

    /**
     * The same where measures have other names now.
     *
     * @param array<array-key, string> $names new name by old one, of all measures
     */
    public function renamed(array $names): self
    {
        return new self(
            array_map(
                static fn(PlacedStop $placed): PlacedStop => $placed->stop instanceof Formula
                    ? new PlacedStop($placed->id, $placed->stop->renamed($names), $placed->bypassed)
                    : $placed,
                $this->stops,
            ),
        );
    }

    /** The stop moved earlier (-1) or later (+1). */
    public function moving(string $id, int $by): self
    {
        $from = $this->position($id);
        $to = $from === null ? null : $from + $by;
        if ($from === null || !isset($this->stops[$to])) {
            return $this;
        }
        $stops = $this->stops;
        $moved = array_splice($stops, $from, 1);
        array_splice($stops, $to, 0, $moved);

        return new self(array_values($stops));
    }

    public function stop(string $id): ?PlacedStop
    {
        $at = $this->position($id);

        return $at === null ? null : $this->stops[$at];
    }

    /**
     * Does the calculations. A stop that is bypassed or is not possible for what arrives passes its values on
     * unchanged.
     *
     * @param DataSource $data a Scope where it matters who is in focus or off; of a plain data set all are peers
     */
    public function run(SeriesTable $origin, DataSource $data): Run
    {
        $scope = $data instanceof Scope ? $data : Scope::all($data);
        $steps = [];
        $table = $origin;
        foreach ($this->stops as $placed) {
            $refusal = $placed->bypassed ? null : $placed->stop->refusal($table, $scope);
            $outcome =
                $placed->bypassed || $refusal !== null
                    ? new Outcome($table)
                    : self::applied($placed->stop, $table, $scope);
            foreach ($scope->pools as $pool) {
                $outcome = $outcome->withTable($pool->weighed($outcome->table));
            }
            $steps[] = new RunStep($placed, $table, $outcome, $refusal);
            $table = $outcome->table;
        }

        return new Run($origin, $steps, $scope);
    }

    /** Where lines are compared within their own kind, what places them among others is done kind by kind. */
    private static function applied(Stop $stop, SeriesTable $table, Scope $scope): Outcome
    {
        $strata = array_unique($scope->chosen->strata ?? []);
        if ($strata === [] || $stop::category() !== StopCategory::Place) {
            return $stop->apply($table, $scope);
        }
        $series = $remarks = [];
        $outcome = null;
        foreach ($table->series as $key => $one) {
            // One line of each kind stands for all of it.
            if (isset($series[$key])) {
                continue;
            }
            $outcome = $stop->apply($scope->beside($table, (string) $key), $scope);
            // A whole group is of no kind: it is placed among all, and the others keep what they have.
            $stratum = $scope->chosen?->stratum((string) $key);
            foreach ($outcome->table->series as $other => $result) {
                if ($scope->chosen?->stratum((string) $other) === $stratum) {
                    $series[$other] = $result;
                }
            }
            foreach ($outcome->remarks as $remark) {
                $remarks[$remark->sentence] = $remark;
            }
        }
        if ($outcome === null) {
            return $stop->apply($table, $scope);
        }
        $whole = $outcome->table;

        return new Outcome(
            new SeriesTable(
                $whole->axis,
                $whole->unit,
                $whole->kind,
                array_values(array_replace(array_intersect_key($table->series, $series), $series)),
                null,
                $whole->extent,
                $whole->nature,
            ),
            array_values($remarks),
            count($strata) > 1 ? '' : $outcome->note,
            $outcome->better,
        );
    }

    private function position(string $id): ?int
    {
        foreach ($this->stops as $at => $placed) {
            if ($placed->id === $id) {
                return $at;
            }
        }

        return null;
    }
}
