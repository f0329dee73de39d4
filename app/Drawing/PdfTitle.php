<?php

declare(strict_types=1);

namespace App\Drawing;

/** The title that a PDF reader shows, which librsvg does not write. */
final readonly class PdfTitle
{
    /**
     * The file with an update at its end that names it (ISO 32000-1, 7.5.6); what is no such PDF comes back as it was.
     */
    public static function put(string $pdf, string $title): string
    {
        if (
            preg_match('/\ntrailer\s*<<(.*?)>>\s*startxref\s+(\d+)\s+%%EOF\s*$/s', $pdf, $end) !== 1 ||
            preg_match('/\/Size (\d+)/', $end[1], $size) !== 1 ||
            preg_match('/\/Root (\d+ \d+) R/', $end[1], $root) !== 1
        ) {
            return $pdf;
        }
        $number = (int) $size[1];
        // Text beyond ASCII is UTF-16 with a byte order mark.
        $written = bin2hex("\xFE\xFF" . mb_convert_encoding($title, 'UTF-16BE', 'UTF-8'));
        $pdf = rtrim($pdf) . "\n";
        $object = "{$number} 0 obj\n<< /Title <{$written}> /Producer (Dusk Rail) >>\nendobj\n";
        $table = sprintf("xref\n%d 1\n%010d 00000 n \n", $number, strlen($pdf));

        return $pdf .
            $object .
            $table .
            'trailer << /Size ' .
            ($number + 1) .
            " /Root {$root[1]} R /Info {$number} 0 R /Prev {$end[2]} >>\nstartxref\n" .
            (strlen($pdf) + strlen($object)) .
            "\n%%EOF\n";
    }
}
