<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Time\Frequency;

/**
 * A measure as found in a file; its frequency where that is its own and not that of all, and the name of the one that
 * it is weighted by, where the file says it.
 */
final readonly class ReadMeasure
{
    public function __construct(
        public string $name,
        public string $unit,
        public MeasureKind $kind,
        public Better $better,
        public ?Frequency $frequency = null,
        public string $per = '',
    ) {}

    public function named(string $name): self
    {
        return new self($name, $this->unit, $this->kind, $this->better, $this->frequency, $this->per);
    }

    public function of(Frequency $frequency): self
    {
        return new self($this->name, $this->unit, $this->kind, $this->better, $frequency, $this->per);
    }

    /** @param bool $known whether its kind was said, and is no guess that the unit may better */
    public function counted(string $unit, bool $known): self
    {
        $kind = $known ? $this->kind : MeasureKind::guess($this->name, $unit);

        return new self($this->name, $unit, $kind, $this->better, $this->frequency, $this->per);
    }
}
