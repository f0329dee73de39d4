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
     * @param array<string, string> $summaries what entities stand for that are the `total` or `mean` of others, by name
     */
    public function __construct(
        public array $attributes = [],
        public array $combinations = [[]],
        public array $breakdowns = [],
        public array $notes = [],
        public array $summaries = [],
    ) {}
}
