<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Time\Frequency;

/** A measure as found in a file; its frequency where that is its own and not that of all. */
final readonly class ReadMeasure
{
    public function __construct(
        public string $name,
        public string $unit,
        public MeasureKind $kind,
        public Better $better,
        public ?Frequency $frequency = null,
    ) {}

    public function of(Frequency $frequency): self
    {
        return new self($this->name, $this->unit, $this->kind, $this->better, $frequency);
    }

    public function counted(string $unit): self
    {
        return new self($this->name, $unit, $this->kind, $this->better, $this->frequency);
    }
}
