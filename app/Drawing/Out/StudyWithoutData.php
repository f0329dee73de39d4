<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use App\Drawing\HandOver;

final class StudyWithoutData implements HandOverFormat
{
    public static function name(): string
    {
        return 'json';
    }

    public static function label(): string
    {
        return 'Study file without data';
    }

    public static function about(): string
    {
        return 'To open in a Dusk Rail that has the data set';
    }

    public static function type(): string
    {
        return 'application/json';
    }

    public static function group(): HandOverGroup
    {
        return HandOverGroup::File;
    }

    public static function content(HandOver $of): string
    {
        return $of->studyFile(false);
    }
}
