<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\MeasureKind;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\PeerComparison;
use DuskRail\Outcome\ValueTable;
use DuskRail\Reading\FormulaGuard;
use DuskRail\Words\PeerStatistic;
use DuskRail\Words\PeerStatistics;
use DuskRail\Words\Wording;

/**
 * The values of a study as CSV: first lines that begin with # and say what they are, then periods down and lines
 * across, in full precision. The program reads such a file back as it is.
 */
final class FiguresCsv
{
    public static function write(Lineup $lineup, Wording $wording, ValueTable $table): string
    {
        $out = fopen('php://temp', 'r+b');
        assert($out !== false);
        foreach (
            [
                'title' => $wording->headline,
                'measure' => $wording->subtitle,
                'unit' => $lineup->unit->text(),
                'kind' => self::kind($lineup)->value,
                'source' => preg_replace('/^Source: /', '', $wording->source),
            ] as $name => $text
        ) {
            fputcsv(
                $out,
                ["# {$name}", FormulaGuard::guard((string) preg_replace('/\s+/', ' ', (string) $text))],
                ',',
                '"',
                '',
            );
        }
        foreach ($table->notes as $note) {
            fputcsv($out, ['# note', FormulaGuard::guard($note)], ',', '"', '');
        }
        foreach (self::peers($lineup->comparison) as $line) {
            fputcsv($out, ['# peer comparison', FormulaGuard::guard($line)], ',', '"', '');
        }
        fputcsv($out, array_map(FormulaGuard::guard(...), $table->heads), ',', '"', '');
        foreach ($table->rows as $row) {
            $cells = array_map(
                // JSON writes the shortest digits that give the same double again.
                static fn(string|float $cell): string => match (true) {
                    is_string($cell) => FormulaGuard::guard($cell),
                    is_nan($cell) => '',
                    default => (string) json_encode($cell),
                },
                $row,
            );
            fputcsv($out, $cells, ',', '"', '');
        }
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /** @return list<string> a line in focus each: `Veldmere, Oct 2025: value 2,337; rank 1 of 23` */
    private static function peers(Comparison $comparison): array
    {
        $lines = [];
        foreach (PeerComparison::of($comparison) as $of) {
            $told = array_map(
                static fn(PeerStatistic $one): string => mb_strtolower($one::title()) .
                    ' ' .
                    $one->text($of, $of->years[0]),
                PeerStatistics::of($comparison),
            );
            $lines[] = "{$of->line->name}, {$of->years[0]->period}: " . implode('; ', $told);
        }

        return $lines;
    }

    /** Of values that the view makes of those of the rail, as ranks, nothing is added up. */
    private static function kind(Lineup $lineup): MeasureKind
    {
        $table = $lineup->comparison->run->table();

        return $lineup->unit == $table->unit ? $table->kind : MeasureKind::Rate;
    }
}
