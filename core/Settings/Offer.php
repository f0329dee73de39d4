<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/** What the data at hand offer to choose from, for the forms of settings. */
interface Offer
{
    /**
     * What can be chosen.
     *
     * @return array<array-key, string> names by key
     */
    public function names(Names $of): array;

    /**
     * Values between which a slider moves.
     *
     * @return array{float, float}|null lowest and highest; null where there is nothing to choose
     */
    public function span(string $of): ?array;

    /** What the periods are called: `months`; `values` where they are plain numbers. */
    public function periods(): string;

    public function holds(Condition $condition): bool;
}
