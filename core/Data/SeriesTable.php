<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\PeriodAxis;

/** Many series on one axis, in one unit: what a stop takes and gives. */
final readonly class SeriesTable
{
    /** @var array<string, Series> */
    public array $series;

    /** @param iterable<Series> $series each as long as the axis */
    public function __construct(public PeriodAxis $axis, public Unit $unit, public Kind $kind, iterable $series)
    {
        $byKey = [];
        foreach ($series as $one) {
            $byKey[$one->key] = $one;
        }
        $this->series = $byKey;
    }

    /**
     * The same table with other values.
     *
     * @param callable(list<float>, string): list<float> $calculation is given a series' values and its key
     */
    public function map(callable $calculation, ?Unit $unit = null, ?Kind $kind = null): self
    {
        $series = [];
        foreach ($this->series as $key => $one) {
            $series[] = new Series($key, $calculation($one->values, $key));
        }

        return new self($this->axis, $unit ?? $this->unit, $kind ?? $this->kind, $series);
    }
}
