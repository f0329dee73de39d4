<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\Frequency;

/**
 * What is counted or measured, at which frequency, in which unit (without the period: a flow's unit is `Ml`, not `Ml
 * per month`); with how many decimals it is written, if that was said; and of a rate the key of the measure that it is
 * per, by which its values are weighed: punctuality is per kilometres run.
 */
final readonly class Measure
{
    private function __construct(
        public string $key,
        public string $name,
        public Unit $unit,
        public MeasureKind $kind,
        public Better $better,
        public Frequency $frequency,
        public ?int $decimals = null,
        public string $per = '',
    ) {}

    public static function of(
        string $key,
        string $name,
        string $unit,
        MeasureKind $kind,
        Frequency $frequency,
        Better $better = Better::Neither,
    ): self {
        return new self($key, $name, Unit::parse($unit), $kind, $better, $frequency);
    }

    /** The same, written with so many decimals; null for as many as its figures deserve. */
    public function withDecimals(?int $decimals): self
    {
        return new self(
            $this->key,
            $this->name,
            $this->unit,
            $this->kind,
            $this->better,
            $this->frequency,
            $decimals,
            $this->per,
        );
    }

    /** The same, being a rate per another measure; nothing where that is not known. */
    public function withPer(string $measure): self
    {
        return new self(
            $this->key,
            $this->name,
            $this->unit,
            $this->kind,
            $this->better,
            $this->frequency,
            $this->decimals,
            $measure,
        );
    }

    /** The unit of one value: a flow's is per period. */
    public function unitEach(): Unit
    {
        return $this->kind === MeasureKind::Flow ? $this->unit->each($this->frequency) : $this->unit;
    }

    /** Whether others can be divided by it: a quotient is divided by nothing more. */
    public function canDivide(): bool
    {
        return $this->kind !== MeasureKind::Rate;
    }

    /** What others are divided by when they are divided by this: its unit, or its own name where it has none. */
    public function divisor(): Unit
    {
        $unit = $this->unit->amount === '' ? Unit::parse(mb_strtolower($this->name)) : $this->unit;

        return $this->kind === MeasureKind::Flow ? $unit->each($this->frequency) : $unit;
    }
}
