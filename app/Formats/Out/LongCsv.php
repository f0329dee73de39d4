<?php

declare(strict_types=1);

namespace App\Formats\Out;

use App\Models\Dataset;
use App\Models\Measure;
use DuskRail\Reading\FormulaGuard;

/** One row per value, all measures of all frequencies together; what a spreadsheet would run is made harmless. */
final class LongCsv implements DatasetFormat
{
    public static function label(): string
    {
        return 'CSV, one row per value';
    }

    public static function ending(): string
    {
        return 'csv';
    }

    public static function type(): string
    {
        return 'text/csv; charset=UTF-8';
    }

    public static function write(Dataset $dataset): string
    {
        // What is calculated from others is calculated again by whoever reads it.
        $stored = $dataset->measures->where('formula', '')->values()->all();

        $notes = Figures::notes($dataset, ...$stored) + self::attributeNotes($dataset);

        return self::rows($dataset, $notes, ...$stored);
    }

    /** @return array<string, string> which columns say more of entities */
    public static function attributeNotes(Dataset $dataset): array
    {
        $notes = [];
        foreach ((new Figures($dataset))->attributes() as $name) {
            $notes["attribute {$name}"] = $name === 'group' ? 'group' : '';
        }

        return $notes;
    }

    /** @param array<string, string> $notes over the table */
    public static function rows(Dataset $dataset, array $notes, Measure ...$measures): string
    {
        $out = fopen('php://temp', 'r+b');
        assert($out !== false);
        foreach ($notes as $name => $text) {
            fputcsv(
                $out,
                ["# {$name}", FormulaGuard::guard((string) preg_replace('/\s+/u', ' ', $text))],
                ',',
                '"',
                '',
            );
        }
        $figures = new Figures($dataset);
        $attributes = $figures->attributes();
        $said = $figures->attributesOf();
        $headings = array_map(FormulaGuard::guard(...), [...$figures->headings(), ...$attributes]);
        fputcsv($out, ['Entity', 'Measure', 'Unit', ...$headings, 'Period', 'Value', 'Status'], ',', '"', '');
        foreach ($figures->of(...$measures) as $figure) {
            fputcsv(
                $out,
                [
                    FormulaGuard::guard($figure['entity']),
                    FormulaGuard::guard($figure['measure']->name),
                    FormulaGuard::guard($figure['measure']->unit),
                    ...array_map(FormulaGuard::guard(...), $figure['categories']),
                    ...array_map(
                        static fn(string $name): string => FormulaGuard::guard($said[$figure['entity']][$name] ?? ''),
                        $attributes,
                    ),
                    $figure['period'],
                    Figures::digits($figure['value']),
                    Figures::mark($figure['status']),
                ],
                ',',
                '"',
                '',
            );
        }
        rewind($out);

        return (string) stream_get_contents($out);
    }
}
