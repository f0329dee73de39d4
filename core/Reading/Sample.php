<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** The first rows of a table, cut into cells, as far as detection and the preview need them. */
final readonly class Sample
{
    /** What comes and goes with each copy of a file. */
    private const NO_NAME =
        '/(?<=\s)(?:\(\d{1,2}\)|\((?:final|copy)\)|v\d{1,2}|final|copy|draft|' .
        '(?:19|20)\d\d(?: ?(?:q[1-4]|h[12]|\d\d)(?: \d\d)?)?|(?:19|20)\d{6}|[0-3]\d [01]\d (?:19|20)\d\d)(?=\s)/iu';

    /** @var list<list<string>> */
    public array $rows;

    public int $width;

    /** @param list<list<string>> $rows */
    public function __construct(array $rows, public string $fileName, public string $delimiter)
    {
        $this->rows = $rows;
        $this->width = $rows === [] ? 0 : max(array_map(count(...), $rows));
    }

    public function cell(int $row, int $column): string
    {
        return trim($this->rows[$row][$column] ?? '');
    }

    /** How many columns there are: as many as the headings, where there are any; what sticks out is no column. */
    public function breadth(?int $heading): int
    {
        return $heading === null || !isset($this->rows[$heading]) ? $this->width : max(2, count($this->rows[$heading]));
    }

    /** @return list<string> cells of a column below a row */
    public function column(int $column, ?int $below): array
    {
        $cells = [];
        for ($row = $below === null ? 0 : $below + 1, $count = count($this->rows); $row < $count; $row++) {
            $cells[] = $this->cell($row, $column);
        }

        return $cells;
    }

    public function heading(int $column, ?int $row): string
    {
        $text = $row === null ? '' : $this->cell($row, $column);

        return $text === '' ? 'Column ' . ($column + 1) : $text;
    }

    /** Whether a row is a remark above the table, as this program writes them: it begins with #. */
    public function isNote(int $row): bool
    {
        return str_starts_with($this->cell($row, 0), '# ');
    }

    /** @return array<string, string> what such remarks say, by name */
    public function notes(): array
    {
        $notes = [];
        for ($row = 0; $this->isNote($row); $row++) {
            $notes[substr($this->cell($row, 0), 2)] = FormulaGuard::unguard($this->cell($row, 1));
        }

        return $notes;
    }

    /** The file's name without its ending, as words: a name for what has none. */
    public function title(): string
    {
        $name = (string) preg_replace('/\.[A-Za-z0-9]{1,5}$/', '', basename($this->fileName));
        $words = trim((string) preg_replace('/[-_.\s]+/', ' ', $name));
        // A date, a version or the number of a copy is no part of what a file holds, unless it is all that there is.
        $plain = trim((string) preg_replace(self::NO_NAME, ' ', " {$words} "));
        $name = preg_match('/\p{L}{2}/u', $plain) === 1 ? (string) preg_replace('/\s+/', ' ', $plain) : $words;

        return $name === '' ? 'Value' : mb_strtoupper(mb_substr($name, 0, 1)) . mb_substr($name, 1);
    }
}
