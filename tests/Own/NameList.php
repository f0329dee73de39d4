<?php

declare(strict_types=1);

namespace Tests\Own;

use App\Drawing\HandOver;
use App\Drawing\Out\HandOverFormat;
use App\Drawing\Out\HandOverGroup;
use DuskRail\Outcome\Line;

/** A format that the program does not have: the names of the lines that are shown. */
final class NameList implements HandOverFormat
{
    public static function name(): string
    {
        return 'names.txt';
    }

    public static function label(): string
    {
        return 'List of names';
    }

    public static function about(): string
    {
        return 'The names of the lines';
    }

    public static function type(): string
    {
        return 'text/plain';
    }

    public static function group(): HandOverGroup
    {
        return HandOverGroup::File;
    }

    public static function content(HandOver $of): string
    {
        $lines = $of->view()->lineup($of->comparison())->present();

        return implode("\n", array_map(static fn(Line $line): string => $line->name, $lines));
    }
}
