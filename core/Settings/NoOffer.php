<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/** Where settings are chosen before there are any values: only what every value allows. */
final readonly class NoOffer implements Offer
{
    public function names(Names $of): array
    {
        return [];
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
