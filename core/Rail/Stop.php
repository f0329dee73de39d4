<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Data\SeriesTable;
use DuskRail\Settings\HasSettings;

/**
 * One calculation on the rail. A stop is immutable and knows nothing of the study it is in. Its settings are the
 * properties of its constructor, each declared by an attribute (see Settings/Setting).
 *
 * To add one: write a class in Rail/Stops, and name it in StopCatalogue.
 */
interface Stop extends HasSettings
{
    /** Its name in study documents: lower case, hyphens. */
    public static function type(): string;

    /** What it does in half a sentence, for the list of stops, where it follows the title. */
    public static function purpose(): string;

    /** Under which heading of the list of stops it is found. */
    public static function category(): StopCategory;

    /** The stop as it is first put in, given what arrives there. */
    public static function default(SeriesTable $arriving, Scope $scope): self;

    /** The name it is under on the rail, in a few characters: `÷ connections`, `12-month mean`. */
    public function label(SeriesTable $arriving, Scope $scope): string;

    /** What it adds to the chart's subtitle: `per connection`, `12-month mean`. */
    public function phrase(SeriesTable $arriving, Scope $scope): string;

    /** Why the calculation is not possible for what arrives, and what to do instead; null when it does. */
    public function refusal(SeriesTable $arriving, Scope $scope): ?string;

    /** The calculation. Only called when refusal() is null. */
    public function apply(SeriesTable $arriving, Scope $scope): Outcome;

    /**
     * How the value of one line at one position came about.
     *
     * @param SeriesTable $leaving what apply() made of what arrived
     * @param int $position of the leaving table
     */
    public function explain(
        SeriesTable $arriving,
        SeriesTable $leaving,
        Scope $scope,
        string $key,
        int $position,
    ): Explanation;
}
