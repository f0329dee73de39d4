<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** A data set that is held as it was given: for scripts, measurements and tests. */
final readonly class DataInMemory implements DataSource
{
    /** @var array<string, Measure> */
    private array $measures;

    /** @var array<string, Entity> */
    private array $entities;

    /**
     * @param list<Measure> $measures
     * @param list<Entity> $entities
     * @param array<string, SeriesTable> $tables by measure key, and where the measure is split a stroke and the text of
     *     the cell
     * @param array<string, array<string, int>> $unsettled by measure key, as unsettled() gives it
     * @param array<string, Breakdown> $breakdowns by key
     * @param array<string, PeerSetRules> $peerSets by key
     */
    public function __construct(
        array $measures,
        array $entities,
        private array $tables,
        private array $unsettled = [],
        private array $breakdowns = [],
        private array $peerSets = [],
    ) {
        $this->measures = array_combine(array_map(static fn(Measure $m): string => $m->key, $measures), $measures);
        $this->entities = array_combine(array_map(static fn(Entity $e): string => $e->key, $entities), $entities);
    }

    public function measures(): array
    {
        return $this->measures;
    }

    public function entities(): array
    {
        return $this->entities;
    }

    public function breakdowns(): array
    {
        return $this->breakdowns;
    }

    public function peerSets(): array
    {
        return $this->peerSets;
    }

    public function splitBy(string $measureKey): array
    {
        foreach (array_keys($this->tables) as $key) {
            if (str_starts_with($key, "{$measureKey}/")) {
                return array_keys(Cell::parse(substr($key, strlen($measureKey) + 1))->categories);
            }
        }

        return [];
    }

    public function table(string $measureKey, ?Cell $cell = null): SeriesTable
    {
        $usual = array_map(static fn(Breakdown $b): string => $b->default(), $this->breakdowns);
        $whole = [...$usual, ...$cell->categories ?? []];
        $cell = Cell::of(array_intersect_key($whole, array_flip($this->splitBy($measureKey))));

        return $this->tables["{$measureKey}/{$cell}"] ??
            ($this->tables[$measureKey] ?? throw UnknownMeasure::named($measureKey));
    }

    public function unsettled(string $measureKey, ?Cell $cell = null): array
    {
        return $this->unsettled[$measureKey] ?? [];
    }

    public function statuses(string $measureKey, ?Cell $cell = null): array
    {
        return [];
    }

    public function origin(string $measureKey, string $entityKey, int $ordinal, ?Cell $cell = null): ?Origin
    {
        return null;
    }
}
