<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use App\Drawing\HandOver;
use App\Formats\FiguresCsv;

final class Csv implements HandOverFormat
{
    public static function name(): string
    {
        return 'csv';
    }

    public static function label(): string
    {
        return 'Values, CSV';
    }

    public static function about(): string
    {
        return 'The values shown, as comma-separated text';
    }

    public static function type(): string
    {
        return 'text/csv; charset=UTF-8';
    }

    public static function group(): HandOverGroup
    {
        return HandOverGroup::File;
    }

    public static function content(HandOver $of): string
    {
        return FiguresCsv::write($of->view()->lineup($of->comparison()), $of->wording(), $of->values());
    }
}
