<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\SeriesTable;

/** A rail carried out on a table. */
final readonly class Run
{
    /** @param list<RunStep> $steps one for each stop of the rail */
    public function __construct(public SeriesTable $origin, public array $steps) {}

    public function table(): SeriesTable
    {
        return $this->steps === [] ? $this->origin : $this->steps[count($this->steps) - 1]->outcome->table;
    }

    /**
     * First position whose values are of unfinished periods, as far as the axis has stayed the same since that was
     * found.
     */
    public function open(): ?int
    {
        $axis = $this->table()->axis;
        foreach (array_reverse($this->steps) as $step) {
            if ($step->outcome->table->axis != $axis) {
                return null;
            }
            if ($step->outcome->open !== null) {
                return $step->outcome->open;
            }
        }

        return null;
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
