<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\AlignedColumns;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\RuledLine;

/** Text whose cells are lined up by spaces, with no mark between them. */
final readonly class AlignedText implements TableSource
{
    /** Bytes that it is judged by. */
    private const JUDGED = 262_144;

    private const LARGEST = 200_000_000;

    /** Share of the lines that a mark cuts into as many cells, in a file that has one. */
    private const MARKED = 0.7;

    private function __construct(private string $path, private Dialect $dialect, private AlignedColumns $columns) {}

    public static function names(): array
    {
        return ['TXT'];
    }

    public static function endings(): array
    {
        return ['txt', 'dat', 'prn'];
    }

    public static function isOne(string $path): bool
    {
        return self::found($path) !== null;
    }

    public static function open(string $path): self
    {
        if (filesize($path) > self::LARGEST) {
            throw NotATable::because('The file is larger than 200 MB.', 'Save it as CSV, and upload it.');
        }
        [$dialect, $columns] =
            self::found($path) ?? throw NotATable::because('The file has no columns.', 'Save it as CSV.');

        return new self($path, $dialect, $columns);
    }

    /** @return array{Dialect, AlignedColumns}|null */
    private static function found(string $path): ?array
    {
        $bytes = (string) file_get_contents($path, false, null, 0, self::JUDGED);
        // Most files are known by their first line, and zip archives, pages and JSON by their first characters.
        if (preg_match('/^\s*[\[{<]|^PK|^%PDF|^\x1F\x8B|\x00/', substr($bytes, 0, 512)) === 1) {
            return null;
        }
        try {
            $dialect = Dialect::detect($bytes);
        } catch (NotATable) {
            return null;
        }
        $text = Dialect::decoded(substr($bytes, $dialect->skip), $dialect->encoding);
        $lines = preg_split('/\r\n|\n|\r/', mb_scrub($text)) ?: [];
        if (strlen($bytes) === self::JUDGED) {
            array_pop($lines);
        }
        $lines = array_slice($lines, 0, 400);
        if (self::hasMarks($lines)) {
            return null;
        }
        $columns = AlignedColumns::in($lines);

        return $columns === null ? null : [$dialect, $columns];
    }

    /**
     * True if one of the marks that tables have cuts the first line and most others into as many cells. A comma of
     * thousands or decimals is none.
     *
     * @param list<string> $lines
     */
    private static function hasMarks(array $lines): bool
    {
        $lines = array_values(
            array_filter($lines, static fn(string $l): bool => trim($l) !== '' && !RuledLine::is([$l])),
        );
        $withoutCommas = preg_replace('/(?<=\d),(?=\d{3}(?!\d)|\d{1,2}(?:\s|$))/', '', $lines) ?? $lines;
        foreach (array_keys(Dialect::DELIMITERS) as $mark) {
            $cut = static fn(string $line): int => count(str_getcsv($line, $mark, '"', ''));
            $counts = array_count_values(array_map($cut, $withoutCommas));
            $asWritten = array_count_values(array_map($cut, $lines));
            unset($counts[1], $asWritten[1]);
            $first = $asWritten[$cut($lines[0] ?? '')] ?? 0;
            if (max([$first, ...array_values($counts)]) >= self::MARKED * count($lines)) {
                return true;
            }
        }

        return false;
    }

    public function tables(): array
    {
        return ['The file'];
    }

    public function write(string $table, string $path): void
    {
        $in = fopen($this->path, 'rb');
        $out = fopen($path, 'wb');
        if ($in === false || $out === false) {
            throw NotATable::because('The table could not be stored on the server.', 'Try again.');
        }
        fseek($in, $this->dialect->skip);
        while (($line = fgets($in, 1_000_000)) !== false) {
            $text = rtrim(mb_scrub(Dialect::decoded($line, $this->dialect->encoding)), "\r\n");
            fputcsv($out, $this->columns->cells($text), ',', '"', '');
        }
        fclose($in);
        fclose($out);
    }
}
