<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Better;
use DuskRail\Data\DataSource;
use DuskRail\Data\SeriesTable;

/** A rail calculated on a table. */
final readonly class Run
{
    /**
     * @param list<RunStep> $steps one for each stop of the rail
     * @param DataSource $data what it was calculated on
     */
    public function __construct(public SeriesTable $origin, public array $steps, public DataSource $data) {}

    public function table(): SeriesTable
    {
        return $this->steps === [] ? $this->origin : $this->steps[count($this->steps) - 1]->outcome->table;
    }

    /** Which way is good at the end: as of the measure, unless a stop gave its values a way of their own. */
    public function better(Better $ofMeasure): Better
    {
        foreach (array_reverse($this->inUse()) as $step) {
            if ($step->outcome->better !== null) {
                return $step->outcome->better;
            }
        }

        return $ofMeasure;
    }

    /** @return list<RunStep> those that did their calculation: neither bypassed nor refused */
    public function inUse(): array
    {
        return array_values(array_filter($this->steps, static fn(RunStep $step): bool => $step->isInUse()));
    }

    /** The first stop that was refused, or null. */
    public function refused(): ?RunStep
    {
        foreach ($this->steps as $step) {
            if ($step->refusal !== null) {
                return $step;
            }
        }

        return null;
    }
}
