<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/**
 * A table whose cells are lined up by spaces, as printers and statistics programs write them: cut where all rows of
 * values are blank, or between words where each row has as many.
 */
final readonly class AlignedColumns
{
    /** Share of the rows of values that are blank between two columns. */
    private const BLANK = 0.98;

    /** Share of the lines that have as many words as most. */
    private const ALIKE = 0.8;

    private const FEWEST_ROWS = 3;

    private const NUMBER = '/^[-+−(]?[€$£]?\d(?:[\d.,\']| (?=\d))*%?\)?$/u';

    /**
     * @param list<array{int, int}> $gaps between columns: first character, and the one after the last; none where words
     *     are cells
     */
    private function __construct(private int $count, private array $gaps) {}

    /** @param list<string> $lines the first of the file, in UTF-8 */
    public static function in(array $lines): ?self
    {
        $lines = array_values(
            array_filter($lines, static fn(string $line): bool => trim($line) !== '' && !RuledLine::is([$line])),
        );
        if (preg_grep('/\t|^</', $lines) !== []) {
            return null;
        }

        return self::byGaps($lines) ?? self::byWords($lines);
    }

    /** @param list<string> $lines */
    private static function byGaps(array $lines): ?self
    {
        $rows = [];
        foreach ($lines as $line) {
            $cells = preg_split('/\s{2,}/u', trim($line)) ?: [];
            if (count($cells) > 1 && preg_match(self::NUMBER, end($cells)) === 1) {
                $rows[] = mb_str_split(rtrim($line));
            }
        }
        if (count($rows) < self::FEWEST_ROWS || count($rows) < self::ALIKE / 2 * count($lines)) {
            return null;
        }
        $gaps = self::joined($rows, self::gaps($rows));

        return $gaps === [] ? null : new self(count($gaps) + 1, $gaps);
    }

    /**
     * @param non-empty-list<list<string>> $rows characters
     * @return list<array{int, int}>
     */
    private static function gaps(array $rows): array
    {
        $filled = array_fill(0, max(array_map(count(...), $rows)), 0);
        foreach ($rows as $row) {
            foreach ($row as $at => $character) {
                $filled[$at] += trim($character) === '' ? 0 : 1;
            }
        }
        $gaps = [];
        $start = null;
        foreach ($filled as $at => $count) {
            if ($count <= (1.0 - self::BLANK) * count($rows)) {
                $start ??= $at;
            } elseif ($start !== null) {
                $gaps = $start === 0 ? $gaps : [...$gaps, [$start, $at]];
                $start = null;
            }
        }

        return $gaps;
    }

    /**
     * Without gaps of one character within names, or within numbers whose thousands are parted by a space.
     *
     * @param non-empty-list<list<string>> $rows
     * @param list<array{int, int}> $gaps
     * @return list<array{int, int}>
     */
    private static function joined(array $rows, array $gaps): array
    {
        $kept = [];
        foreach ($gaps as $i => [$start, $end]) {
            $cells = [];
            foreach ($rows as $row) {
                $from = $kept === [] ? 0 : end($kept)[1];
                $cells[0][] = trim(implode('', array_slice($row, $from, $start - $from)));
                $cells[1][] = trim(implode('', array_slice($row, $end, ($gaps[$i + 1][0] ?? count($row)) - $end)));
            }
            // A heading that is a year is among the rows.
            $others = static fn(string $is, int $side): int => count(
                preg_grep($is, $cells[$side], PREG_GREP_INVERT) ?: [],
            );
            $areNames = preg_grep('/\p{L}/u', $cells[0]) !== [] && preg_grep('/\p{L}/u', $cells[1]) !== [];
            $areThousands = max($others('/^\d{0,3}$/', 0), $others('/^\d{3}(?:[.,]\d+)?$/', 1)) <= 1;
            if ($end - $start > 1 || (!$areNames && !$areThousands)) {
                $kept[] = [$start, $end];
            }
        }

        return $kept;
    }

    /** @param list<string> $lines */
    private static function byWords(array $lines): ?self
    {
        $lines = array_values(array_filter($lines, static fn(string $line): bool => $line[0] !== '#'));
        $counts = array_count_values(array_map(static fn(string $line): int => count(self::words($line)), $lines));
        arsort($counts);
        $count = (int) array_key_first($counts);
        $rows = array_filter(
            $lines,
            static fn(string $line): bool => count(self::words($line)) === $count &&
                preg_match(self::NUMBER, self::words($line)[$count - 1]) === 1,
        );

        return $count > 1 && count($rows) >= self::FEWEST_ROWS && count($rows) >= self::ALIKE * count($lines) - 1
            ? new self($count, [])
            : null;
    }

    /** @return list<string> */
    private static function words(string $line): array
    {
        return preg_split('/\s+/u', trim($line)) ?: [];
    }

    /** @return list<string> the cells of a line; the line as one cell where it is no row of the table */
    public function cells(string $line): array
    {
        if (trim($line) === '' || RuledLine::is([$line])) {
            return [''];
        }
        if ($line[0] === '#') {
            return [trim($line)];
        }
        $words = self::words($line);
        if (
            preg_match('/^\s|\S\s{2,}\S/u', $line) !== 1 &&
            count($words) !== $this->count &&
            preg_match(self::NUMBER, (string) end($words)) !== 1
        ) {
            return [trim($line)];
        }
        $cells = $this->gaps === [] ? $words : $this->cut($line);
        if (count($cells) === $this->count) {
            return $cells;
        }
        // Headings need not be over their columns.
        $parts = preg_split('/\s{2,}/u', trim($line)) ?: [];
        foreach (count($parts) > 1 ? [$parts, $words] : [] as $parts) {
            if (count($parts) === $this->count) {
                return $parts;
            }
        }

        return [trim($line)];
    }

    /** @return list<string> nothing where a word goes over a gap */
    private function cut(string $line): array
    {
        $characters = mb_str_split($line);
        $cells = [];
        $from = 0;
        foreach ($this->gaps as [$start, $end]) {
            $cut = null;
            for ($at = $start; $at < $end && $cut === null; $at++) {
                $cut = trim($characters[$at] ?? '') === '' ? $at : null;
            }
            if ($cut === null) {
                return [];
            }
            $cells[] = trim(implode('', array_slice($characters, $from, $cut - $from)));
            $from = $cut;
        }
        $cells[] = trim(implode('', array_slice($characters, $from)));

        return $cells;
    }
}
