<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\Better;
use DuskRail\Data\Cell;
use DuskRail\Data\DataSource;
use DuskRail\Data\DelegatesToData;
use DuskRail\Data\SeriesTable;
use DuskRail\Peers\ChosenPeers;
use DuskRail\Rail\Stops\Weights;

/** What a calculation can see: the data set, who is in focus and who is off, and which way is good. */
final readonly class Scope implements DataSource
{
    use DelegatesToData;

    /**
     * @param list<string> $focus entity keys in the order in which they were chosen
     * @param list<string> $off entity keys that take no part
     * @param list<Pool> $pools entities that are also calculated as one
     */
    private function __construct(
        private DataSource $data,
        public array $focus,
        public array $off,
        public Better $better,
        public array $pools = [],
        public ?ChosenPeers $chosen = null,
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
        ?ChosenPeers $chosen = null,
    ): self {
        return new self($data, $focus, $off, $better, $pools, $chosen);
    }

    public function by(Conventions $conventions): self
    {
        return new self(
            $this->data,
            $this->focus,
            $this->off,
            $this->better,
            $this->pools,
            $this->chosen,
            $conventions,
        );
    }

    public static function all(DataSource $data): self
    {
        return new self($data, [], [], Better::Neither);
    }

    public function source(): DataSource
    {
        return $this->data;
    }

    public function table(string $measureKey, ?Cell $cell = null): SeriesTable
    {
        $table = array_reduce(
            $this->pools,
            static fn(SeriesTable $table, Pool $pool): SeriesTable => $pool->addedTo($table),
            $this->data->table($measureKey, $cell),
        );
        $measure = $this->measures()[$measureKey] ?? null;

        return $measure === null || $measure->per === ''
            ? $table
            : array_reduce(
                $this->pools,
                static fn(SeriesTable $table, Pool $pool): SeriesTable => $pool->weighed($table),
                Weights::givenTo($table, $measure, $this->data, $cell),
            );
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
            if (!in_array($key, $apart, true) && !($entities[$key] ?? null)?->isApart()) {
                $values[$key] = $series->values;
            }
        }

        return $values;
    }

    /**
     * The values that places are among: those that take part and are of the set, home as well where it is.
     *
     * @return array<string, list<float>> by entity key
     */
    public function compared(SeriesTable $table): array
    {
        return array_filter(
            $this->present($table),
            fn(string $key): bool => $this->isCompared($key),
            ARRAY_FILTER_USE_KEY,
        );
    }

    /** Whether an entity is of the set that is compared; of all, each is. */
    public function isCompared(string $key): bool
    {
        return $this->chosen === null || $this->chosen->holds($key);
    }

    /** The lines that one is compared within; of all, where there is one kind of them. */
    public function beside(SeriesTable $table, string $key): SeriesTable
    {
        $stratum = $this->chosen?->stratum($key) ?? '';

        return $stratum === ''
            ? $table
            : $table->only(fn(string $other): bool => $this->chosen?->stratum($other) === $stratum);
    }

    /** What follows “all” where only those of a set are meant: ` in Upland`; nothing otherwise. */
    public function among(): string
    {
        return $this->chosen->among ?? '';
    }

    /**
     * The values of the peers: of all that take part, or of the set that was chosen, as a rule except home. Who is in
     * focus is not asked.
     *
     * @return array<string, list<float>> by entity key
     */
    public function peers(SeriesTable $table): array
    {
        $entities = $this->entities();
        $chosen = $this->chosen ?? ChosenPeers::all($this->conventions->homeIsPeer);

        return array_filter(
            $this->present($table),
            static fn(string $key): bool => !isset($entities[$key]) || $chosen->isPeer($entities[$key]),
            ARRAY_FILTER_USE_KEY,
        );
    }
}
