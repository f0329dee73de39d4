<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** What is compared: an organisation, place, plant or product. */
final readonly class Entity
{
    /**
     * @param array<string, string> $attributes by name, as in the attribute file
     * @param int $hue 1–6 that it has wherever it is in focus; 0 for whichever is free
     * @param string $note what became of it: merged, renamed
     * @param string $partOf name of the entity that it has become part of; nothing as a rule
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $group = '',
        public bool $home = false,
        public array $attributes = [],
        public int $hue = 0,
        public string $note = '',
        public string $partOf = '',
    ) {}

    /** Whether it is compared with nobody: it is a benchmark, or has become part of another. */
    public function isApart(): bool
    {
        return $this->isBenchmark() || $this->partOf !== '';
    }

    /** Whether it would leave those that it is made of no room in a picture, as a total; or is no more. */
    public function isLarge(): bool
    {
        $kind = Benchmark::in($this->attributes);

        return $this->partOf !== '' || $kind === Benchmark::Total || $kind === Benchmark::Other;
    }

    /** Whether others are measured by it, as their total, mean or target: it is drawn, but is nobody's peer. */
    public function isBenchmark(): bool
    {
        return Benchmark::in($this->attributes) !== null;
    }
}
