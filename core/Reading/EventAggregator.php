<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\MeasureKind;

/** Things that happened, gathered row by row and made into values by entity and period. */
final class EventAggregator
{
    /** @var array<int, array<int, array<int, non-empty-list<float|string>>>> cells by column, entity, ordinal */
    private array $cells = [];

    /** @var array<int, array<int, int>> how often something happened, by entity and ordinal */
    private array $counts = [];

    /** @var array<int, array<int, int>> place of the first, likewise */
    private array $places = [];

    /** How many things have happened so far. */
    public int $count = 0;

    public function __construct(private readonly Plan $plan) {}

    /** @param int $place row and column in one number, as Observations has it */
    public function happened(int $entity, int $ordinal, int $place): void
    {
        $this->count++;
        $this->counts[$entity][$ordinal] = ($this->counts[$entity][$ordinal] ?? 0) + 1;
        $this->places[$entity][$ordinal] ??= $place;
    }

    /** Notes a cell of something that happened. */
    public function add(int $column, int $entity, int $ordinal, float|string $cell): void
    {
        $this->cells[$column][$entity][$ordinal][] = $cell;
    }

    /**
     * The measures that come of it, over the whole span of the file: a period in which nothing happened counts none and
     * adds up to nothing, but has no mean.
     *
     * @param callable(int): string $heading of a column
     * @return iterable<array{ReadMeasure, array<int, array<int, float>>, array<int, array<int, int>>}> with its
     *     values and their
     *     places, by entity and ordinal
     */
    public function measures(callable $heading): iterable
    {
        $ordinals = array_merge([], ...array_map(array_keys(...), array_values($this->counts)));
        if ($ordinals === []) {
            return;
        }
        $span = range(min($ordinals), max($ordinals));
        if ($this->plan->events->counted) {
            yield [
                $this->plan->describe($this->plan->stated->measureName, '', MeasureKind::Flow),
                ...$this->figures(
                    $span,
                    fn(int $entity, int $ordinal): float => (float) ($this->counts[$entity][$ordinal] ?? 0),
                ),
            ];
        }
        foreach ($this->plan->events->aggregations as $column => $way) {
            if ($way === EventSummary::Out) {
                continue;
            }
            $read = Heading::read($heading($column));
            yield [
                $this->plan->describe(
                    $way->measure($read->name),
                    $way === EventSummary::Different ? '' : $read->unit,
                    $way->kind(),
                ),
                ...$this->figures(
                    $span,
                    fn(int $entity, int $ordinal): float => isset($this->cells[$column][$entity][$ordinal])
                        ? $way->of($this->cells[$column][$entity][$ordinal])
                        : (in_array($way, [EventSummary::Sum, EventSummary::Different], true)
                            ? 0.0
                            : NAN),
                ),
            ];
        }
    }

    /**
     * @param list<int> $span ordinals
     * @param callable(int, int): float $figure of an entity and an ordinal
     * @return array{array<int, array<int, float>>, array<int, array<int, int>>}
     */
    private function figures(array $span, callable $figure): array
    {
        $values = $places = [];
        foreach (array_keys($this->counts) as $entity) {
            foreach ($span as $ordinal) {
                $values[$entity][$ordinal] = $figure($entity, $ordinal);
                $places[$entity][$ordinal] = $this->places[$entity][$ordinal] ?? -1;
            }
        }

        return [$values, $places];
    }
}
