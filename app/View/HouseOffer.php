<?php

declare(strict_types=1);

namespace App\View;

use App\Drawing\HouseNotation;
use DuskRail\Settings\Offer;

/** What the house style offers to choose from: locales, each with an example of its numbers and months. */
final readonly class HouseOffer implements Offer
{
    public function names(string $sort): array
    {
        return $sort === 'locales' ? HouseNotation::offered() : [];
    }

    public function span(string $of): ?array
    {
        return null;
    }

    public function periods(): string
    {
        return 'periods';
    }

    public function holds(string $condition): bool
    {
        return false;
    }
}
