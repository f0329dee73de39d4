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
     * @param array<string, SeriesTable> $tables by measure key
     * @param array<string, array<string, int>> $unsettled by measure key, as unsettled() gives it
     */
    public function __construct(array $measures, array $entities, private array $tables, private array $unsettled = [])
    {
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

    public function table(string $measureKey): SeriesTable
    {
        return $this->tables[$measureKey] ?? throw UnknownMeasure::named($measureKey);
    }

    public function unsettled(string $measureKey): array
    {
        return $this->unsettled[$measureKey] ?? [];
    }

    public function origin(string $measureKey, string $entityKey, int $ordinal): ?Origin
    {
        return null;
    }
}
