<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use App\Drawing\HandOver;
use App\Drawing\Picture;

final class Pdf implements HandOverFormat
{
    public static function name(): string
    {
        return 'pdf';
    }

    public static function label(): string
    {
        return 'PDF';
    }

    public static function about(): string
    {
        return '';
    }

    public static function type(): string
    {
        return 'application/pdf';
    }

    public static function group(): HandOverGroup
    {
        return HandOverGroup::Image;
    }

    public static function content(HandOver $of): string
    {
        return Picture::pages($of->sheets(...$of->choice->size), $of->palette());
    }
}
