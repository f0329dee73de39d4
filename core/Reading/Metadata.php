<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** What a table says beside its values. */
final readonly class Metadata
{
    /**
     * @param array<string, array<string, string>> $attributes what is said of entities, by name
     * @param list<list<string>> $combinations categories, one for each breakdown; the first combination has none
     * @param list<string> $breakdowns names
     * @param list<string> $notes rows that hold no values but a text
     * @param array<string, string> $benchmarks entities that others are measured by: a value of `Benchmark` by name
     * @param array<string, string> $said those of them that somebody chose; nothing for one that is none
     * @param Account $account what of its numbers is read and what is not
     */
    public function __construct(
        public array $attributes = [],
        public array $combinations = [[]],
        public array $breakdowns = [],
        public array $notes = [],
        public array $benchmarks = [],
        public array $said = [],
        public Account $account = new Account(),
    ) {}
}
