<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Outcome\Comparison;
use DuskRail\Reading\FormulaGuard;
use DuskRail\Words\Wording;

/**
 * The figures of a study as CSV: first lines that begin with # and say what they are, then periods down and lines
 * across, in full precision. The program reads such a file back as it is.
 */
final class FiguresCsv
{
    public static function write(Comparison $comparison, Wording $wording): string
    {
        $out = fopen('php://temp', 'r+b');
        assert($out !== false);
        foreach (
            [
                'title' => $wording->headline,
                'measure' => $wording->subtitle,
                'unit' => $comparison->unit(),
                'kind' => $comparison->run->table()->kind->value,
                'source' => preg_replace('/^Source: /', '', $wording->source),
            ]
            as $name => $text
        ) {
            fputcsv(
                $out,
                ["# {$name}", FormulaGuard::guard((string) preg_replace('/\s+/', ' ', (string) $text))],
                ',',
                '"',
                '',
            );
        }
        $lines = $comparison->present();
        fputcsv(
            $out,
            ['Period', ...array_map(static fn($line): string => FormulaGuard::guard($line->name), $lines)],
            ',',
            '"',
            '',
        );
        for ($i = $comparison->from; $i <= $comparison->to; $i++) {
            $row = [$comparison->axis->period($i)->code()];
            foreach ($lines as $line) {
                // JSON writes the shortest digits that give the same double again.
                $row[] = is_nan($line->values[$i]) ? '' : (string) json_encode($line->values[$i]);
            }
            fputcsv($out, $row, ',', '"', '');
        }
        rewind($out);

        return (string) stream_get_contents($out);
    }
}
