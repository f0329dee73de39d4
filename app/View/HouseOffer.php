<?php

declare(strict_types=1);

namespace App\View;

use App\Drawing\HouseNotation;
use DuskRail\Settings\Condition;
use DuskRail\Settings\Names;
use DuskRail\Settings\Offer;

/** What the house style offers to choose from: locales, each with an example of its numbers and months. */
final readonly class HouseOffer implements Offer
{
    public function names(Names $of): array
    {
        return $of === Names::Locales ? HouseNotation::offered() : [];
    }

    public function span(string $of): ?array
    {
        return null;
    }

    public function periods(): string
    {
        return 'periods';
    }

    public function holds(Condition $condition): bool
    {
        return false;
    }
}
