<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\Frequency;

/** What is counted or measured, at which frequency, in which unit (without the period: a flow's unit is `Ml`, not `Ml per month`); and with how many decimals it is written, if that was said. */
final readonly class Measure
{
    private function __construct(
        public string $key,
        public string $name,
        public Unit $unit,
        public Kind $kind,
        public Better $better,
        public Frequency $frequency,
        public ?int $decimals = null,
    ) {}

    public static function of(
        string $key,
        string $name,
        string $unit,
        Kind $kind,
        Frequency $frequency,
        Better $better = Better::Neither,
        ?int $decimals = null,
    ): self {
        return new self($key, $name, Unit::parse($unit), $kind, $better, $frequency, $decimals);
    }

    /** The unit of one value: a flow's is per period. */
    public function unitEach(): Unit
    {
        return $this->kind === Kind::Flow ? $this->unit->each($this->frequency) : $this->unit;
    }

    /** What others are divided by when they are divided by this: its unit, or its own name where it has none. */
    public function divisor(): Unit
    {
        $unit = $this->unit->amount === '' ? Unit::parse(mb_strtolower($this->name)) : $this->unit;

        return $this->kind === Kind::Flow ? $unit->each($this->frequency) : $unit;
    }
}
