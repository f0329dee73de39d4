<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\PeriodReading;

/**
 * Columns at the left whose cells are blank where the cell above holds for the row too, as merged cells and pivot
 * tables leave them. In an outline, where the row of `North` itself has values and no name in the next column, the row
 * takes that name.
 */
final readonly class FillDown
{
    /** Rows that columns are judged by. */
    private const JUDGED = 2000;

    /** Columns at the left that can be such. */
    private const MOST = 4;

    /** Share of the rows of values that must be blank; where fewer are, a name is missing. */
    private const BLANK = 0.25;

    /** Share of the rows in which the next column must have a cell. */
    private const FULL = 0.9;

    /**
     * @param list<int> $columns from the left, without a hole
     * @param bool $isOutline true if a blank in the column after them, in a row with a cell in one of them, is of that
     *     cell's name
     */
    public function __construct(public array $columns, public bool $isOutline = false) {}

    /** @param array<array-key, mixed> $columns as a plan keeps them; only the first ones can be such */
    public static function from(array $columns, bool $isOutline): ?self
    {
        return $columns === [] || $columns !== array_keys($columns)
            ? null
            : new self(array_keys($columns), $isOutline);
    }

    public static function of(Sample $sample, ?int $heading): ?self
    {
        $rows = array_slice($sample->rows, ($heading ?? -1) + 1, self::JUDGED);
        $columns = [];
        while (count($columns) < self::MOST && self::isBlankBelow($rows, count($columns))) {
            $columns[] = count($columns);
        }
        // The last of them needs a column of names or times that goes on beside it.
        while ($columns !== []) {
            $next = count($columns);
            $isOutline = self::takesName($rows, $next);
            if ($next < $sample->width && self::isKey($rows, $next, $isOutline)) {
                return new self($columns, $isOutline);
            }
            array_pop($columns);
        }

        return null;
    }

    /**
     * What a user can have filled down where nothing was found to be: the first column, where rows of values have no
     * cell in it.
     */
    public static function possible(Sample $sample, ?int $heading): ?self
    {
        $found = self::of($sample, $heading);
        $blank = array_filter(
            array_slice($sample->rows, ($heading ?? -1) + 1, self::JUDGED),
            static fn(array $row): bool => trim($row[0] ?? '') === '' && self::cellsAfter($row, 0) > 1,
        );

        return $found ?? ($blank === [] || $sample->column(0, $heading) === [] ? null : new self([0]));
    }

    /**
     * True if a column has a cell at the head of each block of rows, and none below it.
     *
     * @param list<list<string>> $rows
     */
    private static function isBlankBelow(array $rows, int $column): bool
    {
        $heads = $blanks = $others = 0;
        $last = $outer = null;
        foreach ($rows as $row) {
            $cell = trim($row[$column] ?? '');
            $before = implode("\t", array_map(trim(...), array_slice($row, 0, $column)));
            $outer = trim($before) === '' ? $outer : $before;
            if ($cell !== '') {
                // The same again right below it is written out, and no head of a block.
                if ($last === "{$outer}\t{$cell}" || !self::isName($cell)) {
                    return false;
                }
                $last = "{$outer}\t{$cell}";
                $heads++;
            } elseif ($last === null && $column === 0 && self::cellsAfter($row, $column) > 0) {
                return false;
            } elseif (self::cellsAfter($row, $column) > 1 && trim($before) === '') {
                $blanks++;
            } elseif (self::cellsAfter($row, $column) > 1) {
                $others++;
            }
        }

        return $heads > 1 && $blanks >= self::BLANK * ($heads + $blanks + $others);
    }

    /** True if a cell names something, or a year. */
    private static function isName(string $cell): bool
    {
        return preg_match('/\p{L}|^(?:18|19|20)\d\d$/u', $cell) === 1;
    }

    /** @param list<string> $row */
    private static function cellsAfter(array $row, int $column): int
    {
        return count(array_filter(array_slice($row, $column + 1), static fn(string $c): bool => trim($c) !== ''));
    }

    /**
     * True if nearly all rows that have a cell in a column before this one and values after it are blank in it.
     *
     * @param list<list<string>> $rows
     */
    private static function takesName(array $rows, int $next): bool
    {
        $blank = $filled = 0;
        foreach ($rows as $row) {
            if (trim(implode('', array_slice($row, 0, $next))) !== '' && self::cellsAfter($row, $next) > 0) {
                trim($row[$next] ?? '') === '' ? $blank++ : $filled++;
            }
        }

        return $blank > 1 && $blank >= self::FULL * ($blank + $filled);
    }

    /**
     * True if a column tells apart the rows that the columns before it have in common.
     *
     * @param list<list<string>> $rows
     */
    private static function isKey(array $rows, int $column, bool $isOutline): bool
    {
        $cells = [];
        $blank = 0;
        foreach ($rows as $row) {
            $cell = trim($row[$column] ?? '');
            $isHead = $isOutline && trim(implode('', array_slice($row, 0, $column))) !== '';
            if ($cell !== '') {
                $cells[] = $cell;
            } elseif (!$isHead && self::cellsAfter($row, $column) > 0) {
                $blank++;
            }
        }
        if ($cells === [] || $blank > (1.0 - self::FULL) * count($cells)) {
            return false;
        }
        $different = array_values(array_unique($cells));
        $parts = array_filter($different, static fn(string $c): bool => preg_match('/^\d{1,2}$/', $c) === 1);

        return !Table::areNumbers($cells, ',') ||
            PeriodReading::detect($different) !== null ||
            count($parts) === count($different);
    }

    /**
     * @param iterable<int, list<string>> $rows by number
     * @return iterable<int, list<string>> the same with the cells above in place of blanks
     */
    public function rows(iterable $rows, ?int $heading): iterable
    {
        $next = count($this->columns);
        $last = array_fill(0, $next, '');
        foreach ($rows as $number => $row) {
            if ($number <= ($heading ?? -1)) {
                yield $number => $row;
                continue;
            }
            $name = '';
            foreach ($this->columns as $column) {
                $cell = trim($row[$column] ?? '');
                if ($cell !== '') {
                    $last[$column] = $name = $cell;
                } elseif ($name !== '') {
                    // What is inside a block ends with it.
                    $last[$column] = $this->isOutline ? $name : '';
                }
            }
            yield $number => self::cellsAfter($row, $next - 1) > 1 ? $this->filled($row, $last, $name) : $row;
        }
    }

    /**
     * @param list<string> $row
     * @param array<int, string> $last
     * @return list<string>
     */
    private function filled(array $row, array $last, string $name): array
    {
        $next = count($this->columns);
        if ($this->isOutline && $name !== '' && trim($row[$next] ?? '') === '') {
            $row[$next] = $name;
            // What is over all is in no group.
            if (Vocabulary::benchmark($name) !== null) {
                return array_values(array_replace($row, array_fill(0, $next, '')));
            }
        }

        return array_values(array_replace($row, $last));
    }
}
