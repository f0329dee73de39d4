<?php

declare(strict_types=1);

namespace DuskRail\Data;

use Closure;
use DuskRail\Time\PeriodAxis;

/** Many series on one axis, in one unit: what a stop takes and gives. */
final readonly class SeriesTable
{
    /** @var array<string, Series> */
    public array $series;

    public Nature $nature;

    /**
     * @param iterable<Series> $series each as long as the axis
     * @param (Closure(): array<string, list<float>>)|null $weights of ratios what they were divided by, by key,
     *     calculated when asked for
     * @param Nature|null $nature what its values are; null for those of a measure, by its kind and unit
     * @param Completeness|null $extent of periods that were put together, from what, and how much of the latest is in
     */
    public function __construct(
        public PeriodAxis $axis,
        public Unit $unit,
        public MeasureKind $kind,
        iterable $series,
        public ?Closure $weights = null,
        public ?Completeness $extent = null,
        ?Nature $nature = null,
    ) {
        $this->nature = $nature ?? Nature::ofMeasure($kind, $unit);
        $byKey = [];
        foreach ($series as $one) {
            $byKey[$one->key] = $one;
        }
        $this->series = $byKey;
    }

    /** The same with one more series, or another in the place of the one with its key. */
    public function with(Series $one): self
    {
        return new self(
            $this->axis,
            $this->unit,
            $this->kind,
            [...array_values(array_diff_key($this->series, [$one->key => true])), $one],
            $this->weights,
            $this->extent,
            $this->nature,
        );
    }

    /** @param callable(string): bool $isKept of the key of a series */
    public function only(callable $isKept): self
    {
        return new self(
            $this->axis,
            $this->unit,
            $this->kind,
            array_values(array_filter($this->series, static fn(Series $s): bool => $isKept($s->key))),
            $this->weights,
            $this->extent,
            $this->nature,
        );
    }

    /** @param Closure(): array<string, list<float>> $weights */
    public function weighedBy(Closure $weights): self
    {
        return new self($this->axis, $this->unit, $this->kind, $this->series, $weights, $this->extent, $this->nature);
    }

    /**
     * The same table with other values, and what they are.
     *
     * @param callable(list<float>, string): array<int, float> $calculation is given a series' values and its key, and
     *     answers one for each; to write over the given ones costs less than to append
     */
    public function map(
        callable $calculation,
        ?Unit $unit = null,
        ?MeasureKind $kind = null,
        ?Nature $nature = null,
    ): self {
        $series = [];
        foreach ($this->series as $key => $one) {
            /** @var list<float> $values */
            $values = $calculation($one->values, $key);
            $series[] = new Series($key, $values);
        }

        return new self(
            $this->axis,
            $unit ?? $this->unit,
            $kind ?? $this->kind,
            $series,
            null,
            $this->extent,
            $nature ?? $this->nature,
        );
    }

    public function reaching(?Completeness $extent): self
    {
        return new self($this->axis, $this->unit, $this->kind, $this->series, $this->weights, $extent, $this->nature);
    }

    /** What its values are, in words: `differences (Ml per month)`, `shares (%)` */
    public function inWords(): string
    {
        $unit = $this->unit->text();

        return $this->nature->plural() .
            (in_array($unit, ['', $this->nature->value, 'rank'], true) ? '' : " ({$unit})");
    }

    /** Whether a per cent of its values means something: not of degrees, differences, places, nor of per cents. */
    public function allowsPercent(): bool
    {
        return $this->nature->hasZero() && in_array($this->unit->sort, [ValueType::Amount, ValueType::Index], true);
    }

    /** First position whose values are of the incomplete period, or null. */
    public function open(): ?int
    {
        return $this->extent?->open;
    }
}
