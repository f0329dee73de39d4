<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** What becomes of a sum where the value of a member is lacking; practice differs. */
enum IncompleteSum: string
{
    case Blank = 'blank';
    case There = 'there';
    case Same = 'same';

    public function label(): string
    {
        return match ($this) {
            self::Blank => 'left blank',
            self::There => 'of those with a value',
            self::Same => 'of the same members throughout',
        };
    }
}
