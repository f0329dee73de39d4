<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use App\Drawing\HandOver;

final class Png implements HandOverFormat
{
    public static function name(): string
    {
        return 'png';
    }

    public static function label(): string
    {
        return 'PNG';
    }

    public static function about(): string
    {
        return '';
    }

    public static function type(): string
    {
        return 'image/png';
    }

    public static function group(): HandOverGroup
    {
        return HandOverGroup::Image;
    }

    public static function content(HandOver $of): string
    {
        return $of->picture()->png($of->choice->times);
    }
}
