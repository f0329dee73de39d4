<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
use DuskRail\Reading\NotATable;
use PhpOffice\PhpSpreadsheet\Cell\Cell;
use PhpOffice\PhpSpreadsheet\Cell\Coordinate;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;
use Throwable;
use ZipArchive;

/**
 * An Excel or OpenDocument workbook. One of its sheets is written out as delimited text, row by row as it is, so
 * that all that is known of text files holds for it, down to the row and column that a value came from.
 */
final readonly class Workbook implements TableSource
{
    private const MOST_CELLS = 4_000_000;

    private const MOST_MERGED = 2_000_000;

    /** @param Spreadsheet|LargeSheets $book the whole of it, or what is so large that it is read in chunks */
    private function __construct(private Spreadsheet|LargeSheets $book) {}

    /** One that is read some rows at a time, however large it is. */
    public static function inChunks(string $path, int $rows = LargeSheets::ROWS): self
    {
        return new self(new LargeSheets($path, $rows));
    }

    public static function names(): array
    {
        return ['Excel', 'OpenDocument'];
    }

    public static function endings(): array
    {
        return ['xlsx', 'ods'];
    }

    /** What is packed is a workbook, unless it is a data package or holds files; so is what is locked or of the old kind. */
    public static function isOne(string $path): bool
    {
        return self::isLocked($path) ||
            (Packed::is($path) && !Packed::holds($path, TabularPackage::DESCRIPTOR) && !Archive::isOne($path));
    }

    private static function isLocked(string $path): bool
    {
        return str_starts_with((string) file_get_contents($path, false, null, 0, 4), "\xD0\xCF\x11\xE0");
    }

    /** @throws NotATable that says why it cannot be read, and what to do instead */
    public static function open(string $path): self
    {
        if (self::isLocked($path)) {
            throw NotATable::because(
                'The workbook has a password or is in the old .xls format.',
                'Open it, remove the password, and save it as .xlsx or .ods.',
            );
        }
        $type = self::type($path);
        Unpacking::check($path);

        return $type === 'Xlsx' && LargeSheets::areIn($path)
            ? self::inChunks($path)
            : new self(self::loaded($path, $type));
    }

    private static function loaded(string $path, string $type): Spreadsheet
    {
        try {
            $reader = IOFactory::createReader($type);
            $reader->setReadEmptyCells(false);

            return $reader->load($path);
        } catch (Throwable $problem) {
            // A library may name the path that it was given.
            throw Packed::unreadable(str_replace([$path, dirname($path)], ['the file', ''], $problem->getMessage()));
        }
    }

    /** @return list<string> names of its sheets, those that hold the most first */
    public function tables(): array
    {
        if ($this->book instanceof LargeSheets) {
            return array_map(strval(...), array_keys($this->book->sizes()));
        }
        $cells = [];
        foreach ($this->book->getAllSheets() as $sheet) {
            $cells[$sheet->getTitle()] = count($sheet->getCoordinates(false));
        }
        arsort($cells);

        return array_map(strval(...), array_keys($cells));
    }

    /**
     * Writes a sheet as comma-separated text.
     *
     * @throws NotATable when it is not there, or holds too much
     */
    public function write(string $sheet, string $path): void
    {
        $file = fopen($path, 'wb');
        if ($file === false) {
            throw NotATable::because('The sheet could not be stored on the server.', 'Try again.');
        }
        try {
            if ($this->book instanceof Spreadsheet) {
                $worksheet = $this->book->getSheetByName($sheet) ?? throw self::missing($sheet);
                [$last, $width] = [
                    $worksheet->getHighestDataRow(),
                    Coordinate::columnIndexFromString($worksheet->getHighestDataColumn()),
                ];
                self::checkSize($sheet, $last, $width);
                $anchors = [];
                self::writeRows($file, $worksheet, 1, max(1, $last), $width, $anchors);

                return;
            }
            [$last, $width] = $this->book->sizes()[$sheet] ?? throw self::missing($sheet);
            self::checkSize($sheet, $last, $width);
            $next = 1;
            $anchors = [];
            foreach ($this->book->chunks($sheet) as $end => $chunk) {
                $book = self::loaded($chunk, 'Xlsx');
                // Merged cells reach further than the rows that are in it.
                self::writeRows($file, $book->getSheet(0), $next, $end, $width, $anchors);
                $next = $end + 1;
                $book->disconnectWorksheets();
            }
        } finally {
            fclose($file);
        }
    }

    private static function missing(string $sheet): NotATable
    {
        return NotATable::because("The workbook has no sheet “{$sheet}”.", 'Choose another.');
    }

    private static function checkSize(string $sheet, int $rows, int $width): void
    {
        if ($rows * $width > self::MOST_CELLS) {
            throw NotATable::because(
                "Sheet “{$sheet}” has " .
                    Numerals::count($rows) .
                    ' rows and ' .
                    Numerals::count($width) .
                    ' columns, which is too many.',
                'Delete cells far from the table, or save it as CSV.',
            );
        }
    }

    /**
     * @param resource $file
     * @param array<string, string> $anchors what merged cells say, by their first cell; those of earlier rows are in it
     */
    private static function writeRows(
        $file,
        Worksheet $worksheet,
        int $from,
        int $to,
        int $width,
        array &$anchors,
    ): void {
        $merged = self::merged($worksheet);
        $places = $styles = [];
        foreach ($to >= $from ? $worksheet->getRowIterator($from, $to) : [] as $number => $row) {
            $cells = array_fill(0, max(2, $width), '');
            $iterator = $row->getCellIterator();
            $iterator->setIterateOnlyExistingCells(true);
            foreach ($iterator as $column => $cell) {
                $places[$column] ??= Coordinate::columnIndexFromString($column) - 1;
                $cells[$places[$column]] = self::text($cell, $styles);
            }
            foreach ($merged[$number] ?? [] as $at => $anchor) {
                $anchors[$anchor] ??= self::text($worksheet->getCell($anchor), $styles);
                $cells[$at] = $cells[$at] === '' ? $anchors[$anchor] : $cells[$at];
            }
            fputcsv($file, $cells, ',', '"', '');
        }
    }

    /** @throws NotATable */
    private static function type(string $path): string
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw NotATable::because(
                'The workbook cannot be opened.',
                'The upload may be incomplete. Upload it again.',
            );
        }
        $type = match (true) {
            $zip->locateName('xl/workbook.xml') !== false => 'Xlsx',
            $zip->locateName('content.xml') !== false => 'Ods',
            default => '',
        };
        $zip->close();

        return $type !== ''
            ? $type
            : throw NotATable::because('The file is an archive, not a workbook.', 'Unpack it and upload the table.');
    }

    /**
     * A cell as it would be in a text file: dates as 2024-03-31, numbers in full, with the sign of per cent or of money
     * that they are shown with, errors as they are shown.
     *
     * @param array<int, string> $styles how a number is shown, by the style of the cell: `date`, `%`, a sign of money
     */
    private static function text(Cell $cell, array &$styles): string
    {
        $value = $cell->isFormula() ? $cell->getOldCalculatedValue() : $cell->getValue();
        if (is_int($value) || is_float($value)) {
            $styles[$cell->getXfIndex()] ??= self::style($cell);

            return self::number($value, $styles[$cell->getXfIndex()]);
        }

        return match (true) {
            is_bool($value) => $value ? 'TRUE' : 'FALSE',
            is_scalar($value), $value instanceof \Stringable => trim(
                (string) preg_replace('/\s+/u', ' ', (string) $value),
            ),
            default => '',
        };
    }

    private static function style(Cell $cell): string
    {
        $format = $cell->getStyle()->getNumberFormat();
        $code = (string) preg_replace('/\[\$-[^\]]*\]|\\\\./u', '', (string) $format->getFormatCode());

        return match (true) {
            Date::isDateTimeFormat($format) => 'date',
            str_contains((string) preg_replace('/"[^"]*"/', '', $code), '%') => '%',
            preg_match('/\p{Sc}/u', (string) preg_replace('/\[\$([^-\]]*)[^\]]*\]/u', '$1', $code), $m) === 1 => $m[0],
            default => '',
        };
    }

    private static function number(int|float $value, string $style): string
    {
        $date = $style === 'date' ? self::date($value) : null;

        return match (true) {
            $date !== null => $date,
            // Of per cent as many digits as the number has, without those that multiplying made.
            $style === '%' => json_encode(round((float) $value * 100.0, 12)) . '%',
            $style === '' || $style === 'date' => (string) json_encode($value),
            default => $style . json_encode($value),
        };
    }

    /** A date in a spreadsheet's count of days, or null where the calendar does not reach that far. */
    private static function date(int|float $days): ?string
    {
        try {
            return Date::excelToDateTimeObject($days)->format('Y-m-d');
        } catch (Throwable) {
            return null;
        }
    }

    /**
     * @return array<int, array<int, string>> for each row the columns that a merged cell covers, with the cell that
     *     says what they say
     */
    private static function merged(Worksheet $sheet): array
    {
        $covered = [];
        $cells = 0;
        foreach ($sheet->getMergeCells() as $range) {
            [$from, $to] = Coordinate::rangeBoundaries($range);
            [$high, $wide] = [(int) $to[1] - (int) $from[1], (int) $to[0] - (int) $from[0]];
            $cells += $high < 2_000 ? ($high + 1) * min(400, $wide + 1) : 0;
            if ($cells > self::MOST_MERGED) {
                throw NotATable::because(
                    "The sheet “{$sheet->getTitle()}” merges more cells than a table has.",
                    'Unmerge the cells, or save the sheet as CSV.',
                );
            }
            // A title over the whole table is no heading of its columns.
            for ($row = (int) $from[1]; $row <= (int) $to[1] && (int) $to[1] - (int) $from[1] < 2_000; $row++) {
                for (
                    $column = (int) $from[0];
                    $column <= (int) $to[0] && (int) $to[0] - (int) $from[0] < 400;
                    $column++
                ) {
                    $covered[$row][$column - 1] = Coordinate::stringFromColumnIndex((int) $from[0]) . (int) $from[1];
                }
            }
        }

        return $covered;
    }
}
