<?php

declare(strict_types=1);

namespace App\Drawing\Out;

use App\Drawing\EachLine;
use App\Drawing\HandOver;
use DuskRail\Document\InvalidStudy;
use ZipArchive;

/** A picture for each line, which is in focus in its own. */
final class Zip implements HandOverFormat
{
    /** Pictures that a page waits for. */
    private const MOST = 60;

    public static function name(): string
    {
        return 'zip';
    }

    public static function label(): string
    {
        return 'PNG per line';
    }

    public static function about(): string
    {
        return 'A PNG for each entity, with that one in focus, in a ZIP file';
    }

    public static function type(): string
    {
        return 'application/zip';
    }

    public static function group(): HandOverGroup
    {
        return HandOverGroup::Image;
    }

    public static function content(HandOver $of): string
    {
        $documents = EachLine::of($of->study, $of->document);
        if (count($documents) > self::MOST) {
            throw InvalidStudy::because(
                'The measure has ' . count($documents) . ' lines; a ZIP file is made of at most ' . self::MOST .
                    ' images. Use `php artisan study:render --each`.',
            );
        }
        set_time_limit(300);
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk-rail-');
        try {
            $zip = new ZipArchive();
            $zip->open($path, ZipArchive::OVERWRITE);
            $taken = [];
            foreach ($documents as $name => $document) {
                $one = new HandOver($of->study, $document, $of->choice, $of->measure);
                $file = EachLine::fileName("{$of->study->name} {$name}", $taken);
                $zip->addFromString("{$file}.png", Png::content($one));
            }
            $zip->close();

            return (string) file_get_contents($path);
        } finally {
            unlink($path);
        }
    }
}
