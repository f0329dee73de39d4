<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use App\Drawing\HandOver;
use App\Drawing\ReaderFile;

final class Html implements HandOverFormat
{
    public static function name(): string
    {
        return 'html';
    }

    public static function label(): string
    {
        return 'HTML';
    }

    public static function about(): string
    {
        return 'One file with highlighting and readouts; needs no network';
    }

    public static function type(): string
    {
        return 'text/html; charset=UTF-8';
    }

    public static function group(): HandOverGroup
    {
        return HandOverGroup::Page;
    }

    public static function content(HandOver $of): string
    {
        return (new ReaderFile($of->measure))->content($of->study, $of->document, $of->choice->controls);
    }
}
