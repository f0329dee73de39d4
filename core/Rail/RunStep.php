<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\SeriesTable;
use DuskRail\Data\ValueType;

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

    /** What it passes on, in a word or two: the unit, or that it does nothing. */
    public function state(): string
    {
        $unit = $this->outcome->table->unit;

        return match (true) {
            $this->placed->bypassed => 'off',
            $this->refusal !== null => 'not possible here',
            $unit->sort === ValueType::Index => 'index',
            default => $unit->text(),
        };
    }
}
