<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use App\Drawing\HandOver;

final class Svg implements HandOverFormat
{
    public static function name(): string
    {
        return 'svg';
    }

    public static function label(): string
    {
        return 'SVG';
    }

    public static function about(): string
    {
        return '';
    }

    public static function type(): string
    {
        return 'image/svg+xml';
    }

    public static function group(): HandOverGroup
    {
        return HandOverGroup::Image;
    }

    public static function content(HandOver $of): string
    {
        return $of->picture()->svg();
    }
}
