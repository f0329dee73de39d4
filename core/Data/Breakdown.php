<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** What the data of a data set are split by, beside entity, measure and period: sex, age, cause. */
final readonly class Breakdown
{
    /**
     * @param array<array-key, string> $categories names by key, in order; at least one
     * @param string $total key of the category that stands for all others together; nothing for none
     */
    public function __construct(
        public string $key,
        public string $name,
        public array $categories,
        public string $total = '',
    ) {}

    /** The category that is meant where nothing is said: the total, or else the first. */
    public function default(): string
    {
        return $this->total === '' ? (string) array_key_first($this->categories) : $this->total;
    }

    /** @return array<string, string> the categories that are not their total */
    public function parts(): array
    {
        $parts = [];
        foreach ($this->categories as $key => $name) {
            if ((string) $key !== $this->total) {
                $parts[(string) $key] = $name;
            }
        }

        return $parts;
    }

    public function nameOf(string $category): string
    {
        return $this->categories[$category] ?? $category;
    }
}
