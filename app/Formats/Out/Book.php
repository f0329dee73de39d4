<?php

declare(strict_types=1);

namespace App\Formats\Out;

use App\Formats\TooManyValues;
use App\Models\Dataset;
use DuskRail\Data\Status;
use DuskRail\Reading\FormulaGuard;
use PhpOffice\PhpSpreadsheet\Cell\Coordinate;
use PhpOffice\PhpSpreadsheet\Cell\DataType;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;

/**
 * A data set as a workbook: a sheet a measure, periods down and entities across, or a row a value where it is split;
 * the headings held in sight.
 */
final class Book
{
    /**
     * @param 'Xlsx'|'Ods' $writer
     *
     * @throws TooManyValues
     */
    public static function write(Dataset $dataset, string $writer): string
    {
        $figures = new Figures($dataset);
        $figures->checkFor('A workbook');
        $book = new Spreadsheet();
        $book->removeSheetByIndex(0);
        foreach ($dataset->measures->where('formula', '') as $measure) {
            $sheet = $book->createSheet();
            $sheet->setTitle(self::title($measure->name, $book));
            $row = 1;
            foreach (
                [
                    ...Figures::notes($dataset),
                    ...Figures::attributesNoted($dataset),
                    'measure' => $measure->name,
                    'unit' => $measure->unit,
                    ...Figures::about($dataset, $measure),
                ] as $name => $text
            ) {
                $sheet->setCellValueExplicit([1, $row], "# {$name}", DataType::TYPE_STRING);
                $sheet->setCellValueExplicit([2, $row], FormulaGuard::guard($text), DataType::TYPE_STRING);
                $row++;
            }
            $cells = iterator_to_array($figures->of($measure), false);
            $isSplit =
                array_filter($cells, static fn(array $cell): bool => array_filter($cell['categories']) !== []) !== [];
            $isSplit ? self::down($sheet, $row, $figures, $cells) : self::across($sheet, $row, $cells);
            $sheet->freezePane(Coordinate::stringFromColumnIndex($isSplit ? 1 : 2) . ($row + 1));
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk-rail-');
        // As many digits as it takes to read the same number again; PHP would write fourteen.
        $precision = ini_set('precision', '-1');
        try {
            IOFactory::createWriter($book, $writer)->save($path);

            return (string) file_get_contents($path);
        } finally {
            ini_set('precision', $precision === false ? '14' : $precision);
            unlink($path);
            $book->disconnectWorksheets();
        }
    }

    /**
     * Periods down and entities across.
     *
     * @param int $heading row of the headings
     * @param list<array{entity: string, ordinal: int, period: string, value: float, status: Status}> $cells
     */
    private static function across(Worksheet $sheet, int $heading, array $cells): void
    {
        $sheet->setCellValueExplicit([1, $heading], 'Period', DataType::TYPE_STRING);
        $columns = $ordinals = [];
        foreach ($cells as $figure) {
            $columns[$figure['entity']] ??= count($columns) + 2;
            $ordinals[$figure['ordinal']] = $figure['period'];
        }
        ksort($ordinals);
        $rows = array_combine(
            array_keys($ordinals),
            $ordinals === [] ? [] : range($heading + 1, $heading + count($ordinals)),
        );
        foreach ($columns as $entity => $column) {
            self::text($sheet, $column, $heading, FormulaGuard::guard((string) $entity));
        }
        foreach ($ordinals as $ordinal => $period) {
            self::text($sheet, 1, $rows[$ordinal], $period);
        }
        foreach ($cells as $figure) {
            self::figure($sheet, $columns[$figure['entity']], $rows[$figure['ordinal']], $figure);
        }
    }

    /**
     * A row a value, with a column for each breakdown.
     *
     * @param int $heading row of the headings
     * @param list<array{entity: string, categories: list<string>, period: string, value: float, status: Status}> $cells
     */
    private static function down(Worksheet $sheet, int $heading, Figures $figures, array $cells): void
    {
        foreach (['Entity', ...$figures->headings(), 'Period', 'Value'] as $i => $name) {
            self::text($sheet, $i + 1, $heading, FormulaGuard::guard($name));
        }
        foreach ($cells as $n => $figure) {
            $row = $heading + 1 + $n;
            $keys = [
                ...array_map(FormulaGuard::guard(...), [$figure['entity'], ...$figure['categories']]),
                $figure['period'],
            ];
            foreach ($keys as $i => $text) {
                self::text($sheet, $i + 1, $row, $text);
            }
            self::figure($sheet, count($keys) + 1, $row, $figure);
        }
    }

    private static function text(Worksheet $sheet, int $column, int $row, string $text): void
    {
        $sheet->setCellValueExplicit([$column, $row], $text, DataType::TYPE_STRING);
    }

    /** @param array{value: float, status: Status, ...} $figure */
    private static function figure(Worksheet $sheet, int $column, int $row, array $figure): void
    {
        // How sure a value is, or why there is none, is beside it, and makes a text of the cell.
        $figure['status'] === Status::Measured
            ? $sheet->setCellValueExplicit([$column, $row], $figure['value'], DataType::TYPE_NUMERIC)
            : self::text(
                $sheet,
                $column,
                $row,
                (is_nan($figure['value']) ? ':' : Figures::digits($figure['value'])) . ' ' . $figure['status']->mark(),
            );
    }

    /** Names of sheets are short, and some marks cannot be in them. */
    private static function title(string $name, Spreadsheet $book): string
    {
        $title = mb_substr(trim((string) preg_replace('/[\\\\\\/?*\\[\\]:\']+/u', ' ', $name)), 0, 28);
        $title = $title === '' ? 'Measure' : $title;
        for ($n = 2, $free = $title; $book->sheetNameExists($free); $n++) {
            $free = "{$title} {$n}";
        }

        return $free;
    }
}
