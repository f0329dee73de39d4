<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Benchmark;

/** What is said of single rows of a table. */
final readonly class RowRoles
{
    /**
     * @param array<string, string> $benchmarks entities that others are measured by: a value of `Benchmark` by
     *     name; nothing for one that is none although its name says so
     * @param list<int> $asides rows that are passed over
     * @param array<string, string> $found the same as benchmarks, found from the values and not said by anybody
     * @param array<string, string> $parents name of the entity that one is part of, by its name
     * @param array<string, array<string, string>> $attributes what remarks over the table say of entities, by name
     */
    public function __construct(
        public array $benchmarks = [],
        public array $asides = [],
        public array $found = [],
        public array $parents = [],
        public array $attributes = [],
    ) {}

    /** @param array<string, mixed> $plan as Plan::toArray() gives it */
    public static function from(array $plan): self
    {
        $asides = is_array($plan['asides'] ?? null) ? $plan['asides'] : [];

        return new self(
            self::kinds($plan['benchmarks'] ?? null),
            array_values(array_map(static fn(mixed $row): int => (int) $row, array_filter($asides, is_numeric(...)))),
            self::kinds($plan['found'] ?? null),
            self::names($plan['parents'] ?? null),
            self::said($plan['attributes'] ?? null),
        );
    }

    /** @return array<string, array<string, string>> */
    private static function said(mixed $given): array
    {
        $said = [];
        foreach (is_array($given) ? $given : [] as $name => $attributes) {
            $said[(string) $name] = self::names($attributes);
        }

        return $said;
    }

    /** @return array<string, string> */
    private static function names(mixed $given): array
    {
        $names = [];
        foreach (is_array($given) ? $given : [] as $child => $parent) {
            if (is_string($parent)) {
                $names[(string) $child] = $parent;
            }
        }

        return $names;
    }

    /** @return array<string, string> */
    private static function kinds(mixed $given): array
    {
        $kinds = [];
        foreach (is_array($given) ? $given : [] as $name => $kind) {
            if (is_string($kind) && ($kind === '' || Benchmark::tryFrom($kind) !== null)) {
                $kinds[(string) $name] = $kind;
            }
        }

        return $kinds;
    }
}
