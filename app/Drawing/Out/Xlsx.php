<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use App\Drawing\HandOver;
use App\Formats\FiguresWorkbook;
use DuskRail\Words\PeerStatistics;

final class Xlsx implements HandOverFormat
{
    public static function name(): string
    {
        return 'xlsx';
    }

    public static function label(): string
    {
        return 'Values, Excel';
    }

    public static function about(): string
    {
        return 'The values shown, as a workbook';
    }

    public static function type(): string
    {
        return 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';
    }

    public static function group(): HandOverGroup
    {
        return HandOverGroup::File;
    }

    public static function content(HandOver $of): string
    {
        return FiguresWorkbook::write($of->wording(), $of->values(), PeerStatistics::table($of->comparison()));
    }
}
