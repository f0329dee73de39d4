<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** What is said of single rows of a table. */
final readonly class RowRoles
{
    /**
     * @param array<string, string> $summaries what entities stand for that are the `total` or `mean` of others, by
     *     name; nothing for one that is none although its name says so
     * @param list<int> $asides rows that are passed over
     */
    public function __construct(public array $summaries = [], public array $asides = []) {}

    /** @param array<string, mixed> $plan as Plan::toArray() gives it */
    public static function from(array $plan): self
    {
        $summaries = is_array($plan['summaries'] ?? null) ? $plan['summaries'] : [];
        $asides = is_array($plan['asides'] ?? null) ? $plan['asides'] : [];
        $kinds = [];
        foreach ($summaries as $name => $kind) {
            if (in_array($kind, ['', 'total', 'mean'], true)) {
                $kinds[(string) $name] = $kind;
            }
        }

        return new self(
            $kinds,
            array_values(array_map(static fn(mixed $row): int => (int) $row, array_filter($asides, is_numeric(...)))),
        );
    }
}
