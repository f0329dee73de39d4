<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\SeriesTable;

/** One stop of a run: what arrived, what left, and why it was refused if it was. */
final readonly class RunStep
{
    public function __construct(
        public PlacedStop $placed,
        public SeriesTable $arriving,
        public Outcome $outcome,
        public ?string $refusal,
    ) {}

    /** Whether it did its calculation: it is neither bypassed nor refused. */
    public function isInUse(): bool
    {
        return !$this->placed->bypassed && $this->refusal === null;
    }
}
