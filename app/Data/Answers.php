<?php

declare(strict_types=1);

namespace App\Data;

/** What was said of a file that is added to a data set, where the file alone does not tell. */
final readonly class Answers
{
    /**
     * @param 'over'|'place' $mode whether what the file does not give stays, or goes for the measures that it holds
     * @param array<string, string> $same key of the entity that is meant, by the name in the file
     * @param array<string, string> $units by name of a measure: what its values are multiplied by, or `own` for a
     *     measure of its own
     * @param bool $removesWithdrawn whether a value goes where the file says that there is none
     */
    public function __construct(
        public string $mode = 'over',
        public array $same = [],
        public array $units = [],
        public bool $removesWithdrawn = false,
    ) {}

    public function isInPlace(): bool
    {
        return $this->mode === 'place';
    }
}
