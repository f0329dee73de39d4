<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\NotATable;
use ZipArchive;

/** A zip archive, looked at without unpacking it. */
final class Packed
{
    public static function is(string $path): bool
    {
        return str_starts_with((string) file_get_contents($path, false, null, 0, 4), "PK\x03\x04");
    }

    /** Whether a file of that name is in it, in whatever folder; not where it cannot be opened. */
    public static function holds(string $path, string $name): bool
    {
        $zip = new ZipArchive();

        return $zip->open($path, ZipArchive::RDONLY) === true &&
            $zip->locateName($name, ZipArchive::FL_NODIR) !== false;
    }

    /** @param string $why a workbook could not be read, as the reader says it */
    public static function unreadable(string $why): NotATable
    {
        return NotATable::because(
            'The workbook cannot be read: ' . rtrim(mb_strimwidth($why, 0, 160, '…'), '.') . '.',
            'Open it in a spreadsheet program and save it again, or save the sheet as CSV.',
        );
    }
}
