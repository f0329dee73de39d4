<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\NotATable;
use PhpOffice\PhpSpreadsheet\Reader\Xlsx;
use Throwable;
use XMLReader;
use ZipArchive;

/**
 * An Excel workbook with a sheet so large that the whole of it, as a tree of XML, would take many times its size. It is
 * cut, while it streams by, into workbooks of some thousand rows, which are read one after the other.
 */
final class LargeSheets
{
    /** Bytes of a sheet from which it is cut. */
    private const LARGE = 6_000_000;

    public const ROWS = 15_000;

    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';

    /** @var array<string, array{int, int}>|null */
    private ?array $sizes = null;

    /** @param int $rows to a chunk */
    public function __construct(private readonly string $path, private readonly int $rows = self::ROWS) {}

    public static function areIn(string $path): bool
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            return false;
        }
        $large = false;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $entry = $zip->statIndex($i);
            $large =
                $large ||
                ($entry !== false && str_starts_with($entry['name'], 'xl/worksheets/') && $entry['size'] > self::LARGE);
        }
        $zip->close();

        return $large;
    }

    /** @return array<string, array{int, int}> rows and columns by the name of the sheet, the largest first */
    public function sizes(): array
    {
        return $this->sizes ??= $this->measured();
    }

    /** @return array<string, array{int, int}> */
    private function measured(): array
    {
        $sizes = [];
        try {
            foreach ((new Xlsx())->listWorksheetInfo($this->path) as $sheet) {
                $sizes[(string) $sheet['worksheetName']] = [(int) $sheet['totalRows'], (int) $sheet['totalColumns']];
            }
        } catch (Throwable $problem) {
            throw Packed::unreadable($problem->getMessage());
        }
        uasort($sizes, static fn(array $a, array $b): int => $b[0] * $b[1] <=> $a[0] * $a[1]);

        return $sizes;
    }

    /**
     * Workbooks that hold the rows of a sheet, in order, with their numbers; each is gone when the next is asked for.
     *
     * @return iterable<int, string> paths, each by the number of its last row
     */
    public function chunks(string $sheet): iterable
    {
        $entry = $this->entry($sheet);
        $xml = (string) tempnam(sys_get_temp_dir(), 'dusk-rail-sheet-');
        $chunk = (string) tempnam(sys_get_temp_dir(), 'dusk-rail-chunk-');
        try {
            $zip = $this->zip();
            $stream = $zip->getStream($entry);
            if ($stream === false) {
                throw NotATable::because(
                    "The workbook has no content for its sheet “{$sheet}”.",
                    'Open it in a spreadsheet program and save it again.',
                );
            }
            file_put_contents($xml, $stream);
            fclose($stream);
            $zip->close();
            $merged = self::merged($xml);
            foreach ($this->rows($xml) as $last => $rows) {
                copy($this->path, $chunk);
                $zip = new ZipArchive();
                $zip->open($chunk);
                // What other sheets hold is not asked for.
                for ($i = 0; $i < $zip->numFiles; $i++) {
                    $name = (string) $zip->getNameIndex($i);
                    if (str_starts_with($name, 'xl/worksheets/sheet') && $name !== $entry) {
                        $zip->deleteIndex($i);
                    }
                }
                $zip->addFromString(
                    $entry,
                    '<?xml version="1.0" encoding="UTF-8"?><worksheet xmlns="' .
                        self::MAIN .
                        "\"><sheetData>{$rows}</sheetData>{$merged}</worksheet>",
                );
                $zip->setCompressionName($entry, ZipArchive::CM_STORE);
                $zip->addFromString('xl/workbook.xml', $this->workbook($sheet));
                $zip->close();
                yield $last => $chunk;
            }
        } finally {
            array_map(unlink(...), array_filter([$xml, $chunk], is_file(...)));
        }
    }

    /**
     * @return iterable<int, string> rows of the sheet as XML, some thousand together, by the number of the last of
     *     them
     */
    private function rows(string $path): iterable
    {
        if (preg_match('/<!DOCTYPE/i', (string) file_get_contents($path, false, null, 0, 4_096)) === 1) {
            throw Packed::unreadable('its sheet declares a document type, which no workbook needs');
        }
        $reader = new XMLReader();
        $reader->open($path, null, LIBXML_NONET | LIBXML_COMPACT);
        $rows = '';
        $count = $number = 0;
        for ($more = $reader->read(); $more;) {
            if ($reader->nodeType !== XMLReader::ELEMENT || $reader->localName !== 'row') {
                $more = $reader->read();
                continue;
            }
            // A row that does not say its number follows the one before.
            $declared = (int) $reader->getAttribute('r');
            $number = $declared > 0 ? $declared : $number + 1;
            $rows .=
                $declared > 0
                    ? $reader->readOuterXml()
                    : preg_replace('/^<((?:\w+:)?row)\b/', "<$1 r=\"{$number}\"", $reader->readOuterXml());
            if (++$count % $this->rows === 0) {
                yield $number => $rows;
                $rows = '';
            }
            $more = $reader->next();
        }
        $reader->close();
        if ($rows !== '') {
            yield $number => $rows;
        }
    }

    /** Which cells are merged is near the end of a sheet. */
    private static function merged(string $path): string
    {
        $size = (int) filesize($path);
        $end = (string) file_get_contents($path, false, null, max(0, $size - 1_000_000));

        return preg_match('/<mergeCells\b.*?<\/mergeCells>/s', $end, $m) === 1 ? $m[0] : '';
    }

    /** The list of sheets with one sheet alone. */
    private function workbook(string $sheet): string
    {
        $name = htmlspecialchars($sheet, ENT_QUOTES | ENT_XML1, 'UTF-8');

        return '<?xml version="1.0" encoding="UTF-8"?><workbook xmlns="' .
            self::MAIN .
            '" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships">' .
            ($this->since1904() ? '<workbookPr date1904="1"/>' : '') .
            "<sheets><sheet name=\"{$name}\" sheetId=\"1\" r:id=\"{$this->relation($sheet)}\"/></sheets></workbook>";
    }

    private function since1904(): bool
    {
        return preg_match('/<workbookPr\b[^>]*date1904="(1|true)"/', $this->part('xl/workbook.xml')) === 1;
    }

    /** The id by which the workbook knows its sheet. */
    private function relation(string $sheet): string
    {
        preg_match_all('/<(?:\w+:)?sheet\b([^>]*)>/', $this->part('xl/workbook.xml'), $found);
        foreach ($found[1] as $attributes) {
            if (
                preg_match('/\bname="([^"]*)"/', $attributes, $name) === 1 &&
                html_entity_decode($name[1], ENT_QUOTES | ENT_XML1, 'UTF-8') === $sheet &&
                preg_match('/\b\w+:id="([^"]*)"/', $attributes, $id) === 1
            ) {
                return $id[1];
            }
        }

        throw NotATable::because("The workbook has no sheet “{$sheet}”.", 'Choose another.');
    }

    /** Where in the package a sheet is. */
    private function entry(string $sheet): string
    {
        $id = $this->relation($sheet);
        preg_match_all('/<(?:\w+:)?Relationship\b([^>]*)>/', $this->part('xl/_rels/workbook.xml.rels'), $found);
        foreach ($found[1] as $attributes) {
            if (
                str_contains($attributes, "Id=\"{$id}\"") &&
                preg_match('/\bTarget="([^"]*)"/', $attributes, $target) === 1
            ) {
                return str_starts_with($target[1], '/') ? ltrim($target[1], '/') : "xl/{$target[1]}";
            }
        }

        throw NotATable::because(
            "The workbook does not say where sheet “{$sheet}” is.",
            'Open it in a spreadsheet program and save it again.',
        );
    }

    private function part(string $name): string
    {
        $zip = $this->zip();
        $content = $zip->getFromName($name, 10_000_000);
        $zip->close();

        return $content === false ? '' : $content;
    }

    private function zip(): ZipArchive
    {
        $zip = new ZipArchive();

        return $zip->open($this->path, ZipArchive::RDONLY) === true
            ? $zip
            : throw NotATable::because(
                'The workbook cannot be opened.',
                'The upload may be incomplete. Upload it again.',
            );
    }
}
