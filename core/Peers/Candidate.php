<?php

declare(strict_types=1);

namespace DuskRail\Peers;

/** One entity as it was looked at for a peer set: whether it is in, why, and how near it is. */
final readonly class Candidate
{
    /**
     * @param string $why in words, as they are beside it in a table
     * @param array<string, float|string|null> $values by characteristic; null where there is none
     * @param array<string, float> $parts of the distance, by characteristic: how far it is in each, in robust standard
     *     deviations
     * @param float|null $distance null where it was not asked for, or nothing is known
     */
    public function __construct(
        public string $key,
        public string $name,
        public bool $isIn,
        public string $why,
        public array $values = [],
        public array $parts = [],
        public ?float $distance = null,
    ) {}
}
