<?php

declare(strict_types=1);

namespace DuskRail\Peers;

use DuskRail\Data\Entity;

/** Whom a study compares with: all entities, or those of a set. Home is no peer unless the conventions say so. */
final readonly class ChosenPeers
{
    /**
     * @param string $name of the set; nothing for all
     * @param array<string, true>|null $members keys of all that belong to the set; null for all
     * @param string $among what follows “the 12 peers”: ` in Upland`, ` like Veldmere`
     * @param bool $isGroup whether the set is a group, whose name goes before “peers”
     * @param array<array-key, string> $strata where lines are compared only with those of their own kind, as values of
     *     women with those of women: which one it is, by key
     */
    private function __construct(
        public string $name,
        private ?array $members,
        private bool $homeToo,
        public string $among = '',
        public bool $isGroup = false,
        public array $strata = [],
    ) {}

    public static function all(bool $homeToo): self
    {
        return new self('', null, $homeToo);
    }

    /** @param list<string> $members keys */
    public static function group(string $name, array $members, bool $homeToo): self
    {
        return new self($name, array_fill_keys($members, true), $homeToo, " in {$name}", true);
    }

    /**
     * @param list<string> $members keys
     * @param string $among as the property has it
     */
    public static function set(string $name, array $members, string $among, bool $homeToo): self
    {
        return new self($name, array_fill_keys($members, true), $homeToo, $among);
    }

    /** @param array<array-key, string> $strata by key, as the property has them */
    public function within(array $strata): self
    {
        return new self($this->name, $this->members, $this->homeToo, $this->among, $this->isGroup, $strata);
    }

    /** The kind that a line is compared within; nothing where all are of one. */
    public function stratum(string $key): string
    {
        return $this->strata[$key] ?? '';
    }

    public function isAll(): bool
    {
        return $this->members === null;
    }

    /** Whether an entity is of the set, be it as the one that the others are compared with. */
    public function holds(string $key): bool
    {
        return $this->members === null || isset($this->members[$key]);
    }

    /** Whether an entity is one of the peers. */
    public function isPeer(Entity $entity): bool
    {
        return !$entity->isApart() && ($this->homeToo || !$entity->home) && $this->holds($entity->key);
    }
}
