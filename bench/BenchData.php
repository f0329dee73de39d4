<?php

declare(strict_types=1);

namespace Bench;

use DuskRail\Data\DataInMemory;
use DuskRail\Data\Entity;
use DuskRail\Data\Measure;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use ZipArchive;

/** Figures of a given size for measuring: random walks, the same every time. */
final class BenchData
{
    public static function memory(int $series, int $periods, Frequency $frequency): DataInMemory
    {
        mt_srand(1);
        $first = Period::month(2010, 1)->in($frequency);
        $axis = PeriodAxis::of($frequency, $first->ordinal, $periods);
        $years = PeriodAxis::of(Frequency::Year, 2010, $axis->period($periods - 1)->yearNumber() - 2009);
        $flow = Measure::of('flow', 'Flow', 'Ml', MeasureKind::Flow, $frequency);
        $people = Measure::of('people', 'People', 'people', MeasureKind::Stock, Frequency::Year);
        $entities = $flows = $stocks = [];
        for ($s = 0; $s < $series; $s++) {
            $entities[] = new Entity("e{$s}", "Entity {$s}", 'Group ' . $s % 5, $s === 0);
            $flows[] = new Series("e{$s}", self::walk($periods, 100.0));
            $stocks[] = new Series("e{$s}", self::walk($years->count, 50_000.0));
        }

        return new DataInMemory([$flow, $people], $entities, [
            'flow' => new SeriesTable($axis, $flow->unitEach(), MeasureKind::Flow, $flows),
            'people' => new SeriesTable($years, $people->unitEach(), MeasureKind::Stock, $stocks),
        ]);
    }

    /** Writes a long CSV of monthly values, of one measure or two, and answers its path. */
    public static function csv(
        string $path,
        int $series,
        int $periods,
        string $start = '2010-01',
        bool $two = false,
    ): string {
        mt_srand(2);
        $file = fopen($path, 'wb');
        assert($file !== false);
        fwrite($file, 'Entity,Month,Flow (Ml)' . ($two ? ',People' : '') . "\n");
        $first = Period::parse($start);
        $codes = [];
        for ($i = 0; $i < $periods; $i++) {
            $codes[] = $first->plus($i)->code();
        }
        for ($s = 0; $s < $series; $s++) {
            foreach (self::walk($periods, 100.0) as $i => $value) {
                $people = $two ? ',' . (1_000 + (int) ($value * 7)) : '';
                fwrite($file, "Entity {$s},{$codes[$i]}," . round($value, 2) . "{$people}\n");
            }
        }
        fclose($file);

        return $path;
    }

    /** Writes a workbook of the rows of a long CSV, as spreadsheet programs do, and answers its path. */
    public static function workbook(string $path, int $series, int $periods): string
    {
        $texts = [];
        $rows = '';
        $file = fopen(self::csv("{$path}.csv", $series, $periods), 'rb');
        assert($file !== false);
        for ($number = 1; is_array($row = fgetcsv($file, null, ',', '"', '')); $number++) {
            $rows .= "<row r=\"{$number}\">";
            foreach ($row as $column => $text) {
                $at = ['A', 'B', 'C'][$column] . $number;
                $rows .= is_numeric($text)
                    ? "<c r=\"{$at}\"><v>{$text}</v></c>"
                    : "<c r=\"{$at}\" t=\"s\"><v>" . ($texts[$text] ??= count($texts)) . '</v></c>';
            }
            $rows .= '</row>';
        }
        fclose($file);
        $office = 'http://schemas.openxmlformats.org';
        $main = "{$office}/spreadsheetml/2006/main";
        $kind = "{$office}/officeDocument/2006/relationships";
        $type = 'application/vnd.openxmlformats-officedocument.spreadsheetml.';
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
        foreach (
            [
                '[Content_Types].xml' =>
                    "<Types xmlns=\"{$office}/package/2006/content-types\">" .
                    '<Default Extension="xml" ContentType="application/xml"/>' .
                    '<Default Extension="rels" ' .
                    'ContentType="application/vnd.openxmlformats-package.relationships+xml"/>' .
                    "<Override PartName=\"/xl/workbook.xml\" ContentType=\"{$type}sheet.main+xml\"/></Types>",
                '_rels/.rels' => self::relations(['officeDocument' => 'xl/workbook.xml']),
                'xl/workbook.xml' =>
                    "<workbook xmlns=\"{$main}\" xmlns:r=\"{$kind}\"><sheets>" .
                    '<sheet name="Flow" sheetId="1" r:id="rId1"/></sheets></workbook>',
                'xl/_rels/workbook.xml.rels' => self::relations([
                    'worksheet' => 'worksheets/sheet1.xml',
                    'sharedStrings' => 'sharedStrings.xml',
                ]),
                'xl/worksheets/sheet1.xml' => "<worksheet xmlns=\"{$main}\"><sheetData>{$rows}</sheetData></worksheet>",
                'xl/sharedStrings.xml' =>
                    "<sst xmlns=\"{$main}\"><si><t>" .
                    implode('</t></si><si><t>', array_keys($texts)) .
                    '</t></si></sst>',
            ] as $name => $content
        ) {
            $zip->addFromString($name, "<?xml version=\"1.0\" encoding=\"UTF-8\"?>{$content}");
        }
        $zip->close();

        return $path;
    }

    /** @param array<string, string> $targets by kind */
    private static function relations(array $targets): string
    {
        $office = 'http://schemas.openxmlformats.org';
        $list = '';
        foreach (array_keys($targets) as $n => $kind) {
            $list .=
                '<Relationship Id="rId' .
                ($n + 1) .
                "\" Type=\"{$office}/officeDocument/2006/relationships/{$kind}\" Target=\"{$targets[$kind]}\"/>";
        }

        return "<Relationships xmlns=\"{$office}/package/2006/relationships\">{$list}</Relationships>";
    }

    /** @return list<float> */
    private static function walk(int $steps, float $from): array
    {
        $values = [];
        for ($i = 0; $i < $steps; $i++) {
            $from *= 1 + (mt_rand() / mt_getrandmax() - 0.498) * 0.06;
            $values[] = $from;
        }

        return $values;
    }
}
