<?php

declare(strict_types=1);

namespace App\Formats\Out;

use App\Models\Dataset;
use DuskRail\Data\Status;
use DuskRail\Reading\FormulaGuard;
use PhpOffice\PhpSpreadsheet\Cell\Coordinate;
use PhpOffice\PhpSpreadsheet\Cell\DataType;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\Spreadsheet;

/** A data set as a workbook: a sheet a measure, periods down and entities across, the headings held in sight. */
final class Book
{
    /** @param 'Xlsx'|'Ods' $writer */
    public static function write(Dataset $dataset, string $writer): string
    {
        $book = new Spreadsheet();
        $book->removeSheetByIndex(0);
        $figures = new Figures($dataset);
        foreach ($dataset->measures->where('formula', '') as $measure) {
            $sheet = $book->createSheet();
            $sheet->setTitle(self::title($measure->name, $book));
            $row = 1;
            foreach (
                [
                    ...Figures::notes($dataset),
                    'measure' => $measure->name,
                    'unit' => $measure->unit,
                    'kind' => $measure->kind->value,
                    'better' => $measure->better->value,
                ]
                as $name => $text
            ) {
                $sheet->setCellValueExplicit([1, $row], "# {$name}", DataType::TYPE_STRING);
                $sheet->setCellValueExplicit([2, $row], FormulaGuard::guard($text), DataType::TYPE_STRING);
                $row++;
            }
            $heading = $row;
            $sheet->setCellValueExplicit([1, $heading], 'Period', DataType::TYPE_STRING);
            $columns = $ordinals = [];
            $cells = [...$figures->of($measure)];
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
                $sheet->setCellValueExplicit(
                    [$column, $heading],
                    FormulaGuard::guard((string) $entity),
                    DataType::TYPE_STRING,
                );
            }
            foreach ($ordinals as $ordinal => $period) {
                $sheet->setCellValueExplicit([1, $rows[$ordinal]], $period, DataType::TYPE_STRING);
            }
            foreach ($cells as $figure) {
                $at = [$columns[$figure['entity']], $rows[$figure['ordinal']]];
                // How sure a figure is stands beside it, and makes a text of the cell.
                $figure['status'] === Status::Measured
                    ? $sheet->setCellValueExplicit($at, $figure['value'], DataType::TYPE_NUMERIC)
                    : $sheet->setCellValueExplicit(
                        $at,
                        Figures::digits($figure['value']) . ' ' . $figure['status']->mark(),
                        DataType::TYPE_STRING,
                    );
            }
            $sheet->freezePane(Coordinate::stringFromColumnIndex(2) . ($heading + 1));
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

    /** Names of sheets are short, and some marks cannot stand in them. */
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
