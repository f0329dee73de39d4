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
