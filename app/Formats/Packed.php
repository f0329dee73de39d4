<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
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

    /**
     * Unpacks one part. Bytes are counted as they come, whatever the archive says of their number.
     *
     * @param resource $from
     * @param string $what it is a part of, in words
     *
     * @throws NotATable where it has more than so many bytes
     */
    public static function copied($from, string $to, int $most, string $what): int
    {
        $out = fopen($to, 'wb');
        $bytes = $out === false ? 0 : (int) stream_copy_to_stream($from, $out, $most + 1);
        fclose($from);
        if ($out !== false) {
            fclose($out);
        }
        if ($bytes > $most) {
            unlink($to);
            throw NotATable::because(
                "The {$what} unpacks to more than " . Numerals::count($most / 1e6) . ' MB, which is too large.',
                'Upload the file with the values separately.',
            );
        }

        return $bytes;
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
