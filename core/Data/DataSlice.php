<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\PeriodAxis;

/**
 * A data set whose values are broken down, seen in one way: for each breakdown one category, or all added up, or its
 * categories as the lines of one entity, or as groups of lines. What looks at it needs to know nothing of breakdowns.
 *
 * A measure that is not split by a breakdown is seen whole beside each category.
 */
final class DataSlice implements DataSource
{
    use DelegatesToData;

    /** @var array<string, SeriesTable> */
    private array $tables = [];

    /** @var array<string, Entity>|null */
    private ?array $entities = null;

    /**
     * @param Cell $held the category of each breakdown that is held to one
     * @param list<string> $summed keys of breakdowns whose categories are added up
     * @param string $lines key of the breakdown whose categories are the lines; nothing for none
     * @param string $of key of the entity that they are of
     * @param string $panels key of the breakdown whose categories are groups of lines; nothing for none
     */
    public function __construct(
        private readonly DataSource $data,
        private readonly Cell $held,
        private readonly array $summed = [],
        private readonly string $lines = '',
        private readonly string $of = '',
        private readonly string $panels = '',
    ) {}

    /** The data set as a whole. */
    public static function whole(DataSource $data): DataSource
    {
        return $data instanceof self ? $data->data : $data;
    }

    /** Whether another shows the same of the same data. */
    public function isLike(self $other): bool
    {
        $of = static fn(self $one): array => [(string) $one->held, $one->summed, $one->lines, $one->of, $one->panels];

        return $this->data === $other->data && $of($this) === $of($other);
    }

    public function entities(): array
    {
        if ($this->lines === '' && $this->panels === '') {
            return $this->data->entities();
        }
        if ($this->entities === null) {
            $this->entities = [];
            foreach ($this->members() as $key => [$entity, $category, $breakdown]) {
                $isLine = $this->lines !== '';
                $name = $breakdown->nameOf($category);
                $isTotal = $isLine && $category === $breakdown->total;
                $this->entities[$key] = new Entity(
                    $key,
                    $isLine ? $name : "{$entity->name}, {$name}",
                    $isLine ? '' : $name,
                    !$isLine && $entity->home,
                    attributes: $isTotal ? [Benchmark::ATTRIBUTE => Benchmark::Total->value] : [],
                );
            }
        }

        return $this->entities;
    }

    /** Whether it has a line for each entity and category, which are in panels by category. */
    public function hasPanels(): bool
    {
        return $this->panels !== '';
    }

    public function table(string $measureKey, ?Cell $cell = null): SeriesTable
    {
        return $this->tables["{$measureKey} {$cell}"] ??= $this->sliced($measureKey, $cell ?? $this->held);
    }

    private function sliced(string $measure, Cell $cell): SeriesTable
    {
        if ($this->lines === '' && $this->panels === '') {
            return $this->summed($measure, $cell);
        }
        $series = [];
        $table = null;
        foreach ($this->members() as $key => [$entity, $category, $breakdown]) {
            $one = $this->summed($measure, $cell->with($breakdown->key, $category));
            $table ??= $one;
            if (isset($one->series[$entity->key])) {
                $series[] = [$key, $one, $one->series[$entity->key]];
            }
        }
        $table ??= $this->summed($measure, $cell);

        return self::onOneAxis($table, $series);
    }

    /**
     * @param list<array{string, SeriesTable, Series}> $series key, the table that it is from, and itself
     */
    private static function onOneAxis(SeriesTable $like, array $series): SeriesTable
    {
        $first = $like->axis->first;
        $end = $first + $like->axis->count;
        foreach ($series as [, $table]) {
            $first = min($first, $table->axis->first);
            $end = max($end, $table->axis->first + $table->axis->count);
        }
        $all = [];
        foreach ($series as [$key, $table, $one]) {
            $all[] = new Series($key, [
                ...array_fill(0, $table->axis->first - $first, NAN),
                ...$one->values,
                ...array_fill(0, $end - $table->axis->first - $table->axis->count, NAN),
            ]);
        }

        return new SeriesTable(
            PeriodAxis::of($like->axis->frequency, $first, $end - $first),
            $like->unit,
            $like->kind,
            $all,
        );
    }

    /** One cell, those breakdowns added up that are to be. */
    private function summed(string $measure, Cell $cell): SeriesTable
    {
        $cells = [$cell];
        foreach ($this->summed as $breakdown) {
            $parts = array_keys($this->breakdowns()[$breakdown]->parts());
            $cells = array_merge(
                [],
                ...array_map(
                    static fn(Cell $c): array => array_map(
                        static fn(int|string $part): Cell => $c->with($breakdown, (string) $part),
                        $parts,
                    ),
                    $cells,
                ),
            );
        }
        $tables = array_map(fn(Cell $c): SeriesTable => $this->data->table($measure, $c), $cells);
        if (count($tables) < 2) {
            return $tables[0] ?? $this->data->table($measure, $cell);
        }
        // A measure that is not split comes as the same table each time, and is no sum.
        if ($tables[0] === $tables[1]) {
            return $tables[0];
        }
        if ($this->measures()[$measure]->kind !== MeasureKind::Rate) {
            return self::together($tables);
        }
        $per = $this->measures()[$measure]->per;
        $parts = $weights = [];
        foreach ($per === '' ? [] : $cells as $n => $c) {
            [$parts[], $weights[]] = self::weighed($tables[$n], $this->data->table($per, $c));
        }

        // A ratio of sums; without anything to be weighed by there is none.
        return $parts === []
            ? $tables[0]->map(static fn(array $values): array => array_fill(0, count($values), NAN))
            : self::over(self::together($parts), self::together($weights));
    }

    /**
     * Why a measure has no value over all categories of a breakdown; null where it has: amounts are added up, ratios
     * weighed by what they are per, if that is split in the same way.
     */
    public static function whyApart(DataSource $data, Measure $measure, Breakdown $breakdown): ?string
    {
        if ($measure->kind !== MeasureKind::Rate) {
            return null;
        }
        $ways =
            "Choose one category of {$breakdown->name}, or show its categories as lines, or divide two measures that " .
            'can be added up.';
        $per = $data->measures()[$measure->per] ?? null;
        if ($per === null) {
            return "{$measure->name} is a ratio, which cannot be summed. Set what it is weighted by on the data set " .
                "page. {$ways}";
        }
        $isSplit = in_array($breakdown->key, $data->splitBy($per->key), true);

        return $isSplit && $per->canDivide() && $per->frequency === $measure->frequency
            ? null
            : "{$measure->name} is weighted by {$per->name}, which " .
                    ($isSplit ? 'has other periods' : "is not split by {$breakdown->name}") .
                    ", so it has no value over all categories. {$ways}";
    }

    /**
     * @param SeriesTable $rates
     * @return array{SeriesTable, SeriesTable} rates times what they are per, and that, each missing where the other is
     */
    private static function weighed(SeriesTable $rates, SeriesTable $per): array
    {
        $parts = $weights = [];
        $shift = $rates->axis->first - $per->axis->first;
        foreach ($rates->series as $key => $series) {
            $own = $per->series[$key]->values ?? [];
            $above = $below = [];
            foreach ($series->values as $i => $value) {
                $weight = $own[$i + $shift] ?? NAN;
                // Nobody is of a category in which there is nothing, whatever its rate.
                $above[] = $weight === 0.0 ? 0.0 : $value * $weight;
                $below[] = $weight === 0.0 ? 0.0 : (is_nan($value) ? NAN : $weight);
            }
            $parts[] = new Series((string) $key, $above);
            $weights[] = new Series((string) $key, $below);
        }
        return [
            new SeriesTable($rates->axis, $rates->unit, $rates->kind, $parts),
            new SeriesTable($rates->axis, $rates->unit, $rates->kind, $weights),
        ];
    }

    /** What is above, divided by what is below, of the same entities and periods. */
    private static function over(SeriesTable $above, SeriesTable $below): SeriesTable
    {
        return $above->map(static function (array $values, string $key) use ($below): array {
            foreach ($values as $i => $value) {
                $divisor = $below->series[$key]->values[$i];
                $values[$i] = $divisor > 0.0 ? $value / $divisor : NAN;
            }

            return $values;
        });
    }

    /** @param non-empty-list<SeriesTable> $tables */
    private static function together(array $tables): SeriesTable
    {
        $sums = [];
        foreach ($tables as $n => $table) {
            foreach ($table->series as $key => $one) {
                foreach ($one->values as $i => $value) {
                    $ordinal = $table->axis->first + $i;
                    if (!is_nan($value)) {
                        $sums[$key][$ordinal][$n] = $value;
                    }
                }
            }
        }

        return self::added($tables[0], $sums);
    }

    /** @param array<array-key, array<int, array<int, float>>> $sums what there is of each key and ordinal */
    private static function added(SeriesTable $like, array $sums): SeriesTable
    {
        $first = PHP_INT_MAX;
        $last = PHP_INT_MIN;
        foreach ($sums as $values) {
            $first = min($first, ...array_keys($values));
            $last = max($last, ...array_keys($values));
        }
        if ($sums === []) {
            return $like;
        }
        $series = [];
        foreach ($sums as $key => $values) {
            // A sum without one of its parts would be too small; what an entity never has is not missing.
            $parts = count(array_unique(array_merge([], ...array_map(array_keys(...), array_values($values)))));
            $series[] = new Series(
                (string) $key,
                array_map(
                    static fn(int $o): float => count($values[$o] ?? []) === $parts ? array_sum($values[$o]) : NAN,
                    range($first, $last),
                ),
            );
        }

        return new SeriesTable(
            PeriodAxis::of($like->axis->frequency, $first, $last - $first + 1),
            $like->unit,
            $like->kind,
            $series,
        );
    }

    public function unsettled(string $measureKey, ?Cell $cell = null): array
    {
        $unsettled = [];
        if ($this->lines === '' && $this->panels === '') {
            return $this->data->unsettled($measureKey, $cell ?? $this->held);
        }
        foreach ($this->members() as $key => [$entity, $category, $breakdown]) {
            $of = $this->data->unsettled($measureKey, ($cell ?? $this->held)->with($breakdown->key, $category));
            if (isset($of[$entity->key])) {
                $unsettled[$key] = $of[$entity->key];
            }
        }

        return $unsettled;
    }

    public function statuses(string $measureKey, ?Cell $cell = null): array
    {
        $cell ??= $this->held;
        if ($this->summed !== []) {
            return [];
        }
        if ($this->lines === '' && $this->panels === '') {
            return $this->data->statuses($measureKey, $cell);
        }
        $statuses = [];
        foreach ($this->members() as $key => [$entity, $category, $breakdown]) {
            $of = $this->data->statuses($measureKey, $cell->with($breakdown->key, $category));
            if (isset($of[$entity->key])) {
                $statuses[$key] = $of[$entity->key];
            }
        }

        return $statuses;
    }

    public function origin(string $measureKey, string $entityKey, int $ordinal, ?Cell $cell = null): ?Origin
    {
        $member = $this->lines === '' && $this->panels === '' ? null : $this->members()[$entityKey] ?? null;
        if ($this->summed !== []) {
            return null;
        }
        $cell ??= $this->held;

        return $member === null
            ? $this->data->origin($measureKey, $entityKey, $ordinal, $cell)
            : $this->data->origin($measureKey, $member[0]->key, $ordinal, $cell->with($member[2]->key, $member[1]));
    }

    /** @return array<string, array{Entity, string, Breakdown}> whom and which category a line is of, by its key */
    private function members(): array
    {
        $members = [];
        $breakdown = $this->breakdowns()[$this->lines === '' ? $this->panels : $this->lines];
        $all = $this->data->entities();
        if ($this->lines !== '') {
            foreach (array_keys($breakdown->categories) as $category) {
                $members["c:{$category}"] = [$all[$this->of], (string) $category, $breakdown];
            }

            return $members;
        }
        foreach ($all as $entity) {
            foreach (array_keys($breakdown->parts()) as $category) {
                $members["{$entity->key}:{$category}"] = [$entity, (string) $category, $breakdown];
            }
        }

        return $members;
    }
}
