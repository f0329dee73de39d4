<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\SeriesTable;

/** A rail carried out on a table. */
final readonly class Run
{
    /** @param list<Leg> $legs */
    public function __construct(public SeriesTable $origin, public array $legs) {}

    public function table(): SeriesTable
    {
        return $this->legs === [] ? $this->origin : $this->legs[count($this->legs) - 1]->outcome->table;
    }

    /** First position whose values are of unfinished periods, as far as the axis has stayed the same since that was found. */
    public function open(): ?int
    {
        $axis = $this->table()->axis;
        foreach (array_reverse($this->legs) as $leg) {
            if ($leg->outcome->table->axis != $axis) {
                return null;
            }
            if ($leg->outcome->open !== null) {
                return $leg->outcome->open;
            }
        }

        return null;
    }

    /** The first stop that was refused, or null. */
    public function refused(): ?Leg
    {
        foreach ($this->legs as $leg) {
            if ($leg->refusal !== null) {
                return $leg;
            }
        }

        return null;
    }
}
