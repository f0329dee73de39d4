<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/** What the data at hand offer to choose from, for the forms of settings. */
interface Offer
{
    /**
     * Things of one sort that can be chosen, as `entities`, `measures`, `groups`, `lines`.
     *
     * @return array<array-key, string> names by key
     */
    public function names(string $sort): array;

    /**
     * Values between which a slider moves.
     *
     * @return array{float, float}|null lowest and highest; null where there is nothing to choose
     */
    public function span(string $of): ?array;

    /** What the periods are called: `months`; `values` where they are plain numbers. */
    public function periods(): string;

    /** Whether something holds that a field depends on, as `calendar`. */
    public function holds(string $condition): bool;
}
