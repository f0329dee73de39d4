<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use App\Drawing\HandOver;

final class StudyWithData implements HandOverFormat
{
    public static function name(): string
    {
        return 'data.json';
    }

    public static function label(): string
    {
        return 'Study file with data';
    }

    public static function about(): string
    {
        return 'To open in any Dusk Rail';
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
        return $of->studyFile(true);
    }
}
