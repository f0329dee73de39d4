<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
use DuskRail\Reading\NotATable;
use XMLReader;
use ZipArchive;

/**
 * Looks through a packed workbook before anybody reads it: bytes are counted as they come, whatever the archive says of
 * their number, and what would fill the memory of a reader is refused in words.
 */
final readonly class Unpacking
{
    /** All of it; a table does not come to more. */
    private const WHOLE = 600_000_000;

    /** What a reader holds as a whole: the texts of cells, styles, an OpenDocument table. */
    private const TEXTS = 30_000_000;

    private const CONTENT = 40_000_000;

    private const OTHER = 10_000_000;

    /** A sheet without a row for so long holds something else, or one cell without end. */
    private const ROW = 4_000_000;

    private const ENTRIES = 2_000;

    private const BLOCK = 1_000_000;

    private const CELLS = 4_000_000;

    private const MERGED = 50_000;

    /** @throws NotATable */
    public static function check(string $path): void
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw NotATable::because(
                'The workbook cannot be opened.',
                'The upload may be incomplete. Upload it again.',
            );
        }
        try {
            if ($zip->numFiles > self::ENTRIES) {
                throw self::tooMuch('has ' . Numerals::count($zip->numFiles) . ' parts, which is too many');
            }
            $whole = 0;
            for ($i = 0; $i < $zip->numFiles; $i++) {
                $whole += self::counted($zip, $i, $whole);
            }
        } finally {
            $zip->close();
        }
        if (Packed::holds($path, 'content.xml')) {
            self::repeated($path);
        }
    }

    /** Bytes that a part comes to. */
    private static function counted(ZipArchive $zip, int $index, int $before): int
    {
        $name = (string) $zip->getNameIndex($index);
        $isSheet = preg_match('~^/?xl/worksheets/[^/]+\.xml$~', $name) === 1;
        $most = match (true) {
            $isSheet => self::WHOLE,
            str_ends_with($name, 'sharedStrings.xml') => self::TEXTS,
            $name === 'content.xml' => self::CONTENT,
            preg_match('/\.(xml|rels)$/', $name) === 1 => self::OTHER,
            // Pictures and the like are never looked at.
            default => 0,
        };
        $stream = $most === 0 ? false : $zip->getStreamIndex($index);
        if ($stream === false) {
            return 0;
        }
        $bytes = $empty = $merged = 0;
        while (!feof($stream)) {
            $block = (string) fread($stream, self::BLOCK);
            $bytes += strlen($block);
            $empty = $isSheet && preg_match('/<(\w+:)?row\b/', $block) !== 1 ? $empty + strlen($block) : 0;
            $merged += $isSheet ? substr_count($block, '<mergeCell ') : 0;
            if ($bytes > $most || $before + $bytes > self::WHOLE) {
                throw self::tooMuch(
                    "is too large when unpacked: “{$name}” continues after " . Numerals::count($bytes / 1e6) . ' MB',
                );
            }
            if ($empty > self::ROW) {
                throw self::tooMuch("has a sheet with megabytes of data without a row: “{$name}”");
            }
            if ($merged > self::MERGED) {
                throw self::tooMuch('merges more than ' . Numerals::count(self::MERGED) . ' ranges of cells');
            }
        }
        fclose($stream);

        return $bytes;
    }

    /** OpenDocument says of equal rows and cells how often they come; a few letters can stand for millions. */
    private static function repeated(string $path): void
    {
        $xml = new XMLReader();
        if (!@$xml->open('zip://' . $path . '#content.xml', null, LIBXML_NONET | LIBXML_COMPACT)) {
            return;
        }
        $times = 1;
        $row = $all = 0;
        while (@$xml->read()) {
            if ($xml->localName === 'table-row') {
                $all += $xml->nodeType === XMLReader::END_ELEMENT || $xml->isEmptyElement ? $row * $times : 0;
                $times = max(1, (int) $xml->getAttribute('table:number-rows-repeated'));
                $row = 0;
            } elseif ($xml->localName === 'table-cell' && $xml->nodeType === XMLReader::ELEMENT) {
                $isFull = !$xml->isEmptyElement || $xml->getAttribute('office:value-type') !== null;
                $row += $isFull ? max(1, (int) $xml->getAttribute('table:number-columns-repeated')) : 0;
            }
            if ($all + $row * $times > self::CELLS) {
                $xml->close();
                throw self::tooMuch('repeats rows or cells to more than ' . Numerals::count(self::CELLS));
            }
        }
        $xml->close();
    }

    private static function tooMuch(string $what): NotATable
    {
        return NotATable::because("The workbook {$what}.", 'Save the sheet with the values as CSV, and upload it.');
    }
}
