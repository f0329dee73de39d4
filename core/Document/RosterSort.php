<?php

declare(strict_types=1);

namespace DuskRail\Document;

enum RosterSort: string
{
    case Name = 'name';
    case Highest = 'highest';
    case Lowest = 'lowest';

    public function label(): string
    {
        return match ($this) {
            self::Name => 'Name',
            self::Highest => 'Highest first',
            self::Lowest => 'Lowest first',
        };
    }
}
