<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Better;
use DuskRail\Data\Cell;
use DuskRail\Data\DataSource;
use DuskRail\Data\Origin;
use DuskRail\Data\SeriesTable;

/** What a calculation can see: the data set, who is in focus and who is off, and which way is good. */
final readonly class Scope implements DataSource
{
    /**
     * @param list<string> $focus entity keys in the order in which they were chosen
     * @param list<string> $off entity keys that take no part
     * @param list<Pool> $pools entities that are also calculated as one
     * @param string $group whose members alone are peers; nothing for all
     */
    private function __construct(
        private DataSource $data,
        public array $focus,
        public array $off,
        public Better $better,
        public array $pools = [],
        private string $group = '',
        public Conventions $conventions = new Conventions(),
    ) {}

    /**
     * @param list<string> $focus
     * @param list<string> $off
     * @param list<Pool> $pools
     */
    public static function of(
        DataSource $data,
        array $focus,
        array $off,
        Better $better,
        array $pools = [],
        string $group = '',
    ): self {
        return new self($data, $focus, $off, $better, $pools, $group);
    }

    public function by(Conventions $conventions): self
    {
        return new self($this->data, $this->focus, $this->off, $this->better, $this->pools, $this->group, $conventions);
    }

    public static function all(DataSource $data): self
    {
        return new self($data, [], [], Better::Neither);
    }

    public function source(): DataSource
    {
        return $this->data;
    }

    public function measures(): array
    {
        return $this->data->measures();
    }

    public function entities(): array
    {
        return $this->data->entities();
    }

    public function breakdowns(): array
    {
        return $this->data->breakdowns();
    }

    public function splitBy(string $measureKey): array
    {
        return $this->data->splitBy($measureKey);
    }

    public function table(string $measureKey, ?Cell $cell = null): SeriesTable
    {
        return array_reduce(
            $this->pools,
            static fn(SeriesTable $table, Pool $pool): SeriesTable => $pool->addedTo($table),
            $this->data->table($measureKey, $cell),
        );
    }

    public function unsettled(string $measureKey, ?Cell $cell = null): array
    {
        return $this->data->unsettled($measureKey, $cell);
    }

    public function statuses(string $measureKey, ?Cell $cell = null): array
    {
        return $this->data->statuses($measureKey, $cell);
    }

    public function origin(string $measureKey, string $entityKey, int $ordinal, ?Cell $cell = null): ?Origin
    {
        return $this->data->origin($measureKey, $entityKey, $ordinal, $cell);
    }

    public function nameOf(string $entity): string
    {
        foreach ($this->pools as $pool) {
            if ($pool->key === $entity) {
                return $pool->name;
            }
        }

        return isset($this->entities()[$entity]) ? $this->entities()[$entity]->name : $entity;
    }

    /** The group of an entity, or of a line that is a whole group; null where it belongs to none. */
    public function groupOf(string $key): ?string
    {
        $group = str_starts_with($key, 'g:') ? substr($key, 2) : $this->entities()[$key]->group ?? '';

        return $group === '' ? null : $group;
    }

    /**
     * The values that take part: those of entities that are not off, each counted once.
     *
     * @return array<string, list<float>> by entity key
     */
    public function present(SeriesTable $table): array
    {
        $values = [];
        $entities = $this->entities();
        $apart = [...$this->off, ...array_map(static fn(Pool $pool): string => $pool->key, $this->pools)];
        foreach ($table->series as $key => $series) {
            // What stands for the others together is none of them.
            if (!in_array($key, $apart, true) && !($entities[$key] ?? null)?->isSummary()) {
                $values[$key] = $series->values;
            }
        }

        return $values;
    }

    /**
     * The values of the peers: of all that take part, or of one group, as a rule except home. Who is in focus is not
     * asked.
     *
     * @return array<string, list<float>> by entity key
     */
    public function peers(SeriesTable $table): array
    {
        $entities = $this->entities();

        return array_filter(
            $this->present($table),
            fn(string $key): bool => !isset($entities[$key]) ||
                $entities[$key]->isPeer($this->group, $this->conventions->homeIsPeer),
            ARRAY_FILTER_USE_KEY,
        );
    }
}
