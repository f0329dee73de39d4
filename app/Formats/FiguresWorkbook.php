<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Outcome\ValueTable;
use DuskRail\Words\Wording;
use PhpOffice\PhpSpreadsheet\Cell\DataType;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx;

/**
 * The values of a study as an Excel workbook: numbers as numbers, the heading kept in sight, names never run as
 * formulas.
 */
final class FiguresWorkbook
{
    /** Rows above the heading: what the data are, and where they come from. */
    private const ABOUT = 4;

    /** Each takes most of a kilobyte while the workbook is written. */
    private const MOST = 300_000;

    /**
     * @param ValueTable|null $peers the peer comparison, on a sheet of its own
     *
     * @throws TooManyValues
     */
    public static function write(Wording $wording, ValueTable $table, ?ValueTable $peers = null): string
    {
        $values = count($table->rows) * count($table->heads);
        if ($values > self::MOST) {
            $instead = 'Hand over CSV, or show a shorter range or fewer lines.';
            throw TooManyValues::in('An Excel workbook', $values, self::MOST, $instead);
        }
        $book = new Spreadsheet();
        $sheet = $book->getActiveSheet()->setTitle('Figures');
        foreach ([$wording->headline, $wording->subtitle, $wording->source] as $row => $text) {
            $sheet->getCell([1, $row + 1])->setValueExplicit($text, DataType::TYPE_STRING);
        }
        $heading = self::ABOUT + 1;
        self::fill($sheet, $table, $heading);
        if ($peers !== null) {
            self::fill($book->createSheet()->setTitle('Peer comparison'), $peers, 1);
        }
        $notes = $book->createSheet()->setTitle('Notes');
        foreach ($table->notes as $row => $note) {
            $notes->getCell([1, $row + 1])->setValueExplicit($note, DataType::TYPE_STRING);
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk-rail-');
        // As many digits as it takes to read the same number again; PHP would write fourteen.
        $precision = ini_set('precision', '-1');
        try {
            (new Xlsx($book))->save($path);

            return (string) file_get_contents($path);
        } finally {
            ini_set('precision', $precision === false ? '14' : $precision);
            unlink($path);
            $book->disconnectWorksheets();
        }
    }

    private static function fill(Worksheet $sheet, ValueTable $table, int $heading): void
    {
        foreach ($table->heads as $column => $name) {
            $sheet->getCell([$column + 1, $heading])->setValueExplicit($name, DataType::TYPE_STRING);
        }
        foreach ($table->rows as $number => $row) {
            foreach ($row as $column => $cell) {
                if (is_string($cell) || !is_nan($cell)) {
                    $type = is_string($cell) ? DataType::TYPE_STRING : DataType::TYPE_NUMERIC;
                    $sheet->getCell([$column + 1, $heading + 1 + $number])->setValueExplicit($cell, $type);
                }
            }
        }
        $sheet->getStyle("{$heading}:{$heading}")->getFont()->setBold(true);
        $sheet->freezePane([2, $heading + 1]);
    }
}
