<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** What is compared: an organisation, place, plant or product. */
final readonly class Entity
{
    /** @param array<string, string> $attributes by name, as in the attribute file */
    public function __construct(
        public string $key,
        public string $name,
        public string $group = '',
        public bool $home = false,
        public array $attributes = [],
    ) {}
}
