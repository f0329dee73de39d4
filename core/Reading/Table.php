<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** The beginning of a table under its headings, and what can be said of its columns; each is looked at once. */
final class Table
{
    /** @var list<int> columns that hold anything of their own */
    public readonly array $columns;

    /** @var list<string> what was passed over, in words */
    public readonly array $passedOver;

    /** A column of times of day beside that of the days. */
    public readonly ?int $time;

    /** @var list<int> rows of values */
    public readonly array $rows;

    /** @var array<int, list<string>> */
    private array $cells = [];

    /** @var array<int, bool> */
    private array $numeric = [];

    /** @var array<int, list<string>> */
    private array $different = [];

    private ?PeriodColumns $periods = null;

    public function __construct(public readonly Sample $sample, public readonly ?int $heading)
    {
        $this->rows = self::dataRows($sample, $heading);
        $columns = $said = $named = [];
        for ($column = 0, $count = $sample->breadth($heading); $column < $count; $column++) {
            // Only one of the same name says the same again; of thousands, all are not compared with all.
            $name = $this->name($column);
            $twin = (new PassedOver($this))->twin($column, $named[$name] ?? []);
            if ((new PassedOver($this))->isSaidAgain($column)) {
                $said[] = 'the first column has no header and repeats another column';
            } elseif ($twin !== null) {
                $said[] = "“{$this->name($column)}” appears twice with the same values; the first is used";
            } elseif ((new PassedOver($this))->isRowNumber($column)) {
                $said[] = 'the first column numbers the rows';
            } elseif ($this->different($column) !== []) {
                $columns[] = $column;
                $named[$name][] = $column;
            }
        }
        $time = (new DateColumns($this))->timeColumn($columns);
        $this->columns = array_values(array_diff($columns, [$time ?? -1]));
        if ($time !== null) {
            $said[] = "“{$this->name($time)}” contains times of day";
        }
        $this->passedOver = $said;
        $this->time = $time;
    }

    /** @return list<int> rows with more than one cell; a single one is a remark or a heading between rows */
    private static function dataRows(Sample $sample, ?int $heading): array
    {
        $rows = [];
        for ($row = ($heading ?? -1) + 1, $count = count($sample->rows); $row < $count; $row++) {
            $filled = 0;
            foreach ($sample->rows[$row] as $cell) {
                $filled += trim($cell) === '' ? 0 : 1;
                if ($filled > 1) {
                    break;
                }
            }
            if ($filled > 1 && ($heading === null || $sample->rows[$row] !== $sample->rows[$heading])) {
                $rows[] = $row;
            }
        }

        return $rows;
    }

    public function rowCount(): int
    {
        return count($this->rows);
    }

    /** @return list<string> cells of a column in the rows of values */
    public function cells(int $column): array
    {
        return $this->cells[$column] ??= array_map(
            fn(int $row): string => $this->sample->cell($row, $column),
            $this->rows,
        );
    }

    /** @return list<string> those that are not empty, each once */
    public function different(int $column): array
    {
        return $this->different[$column] ??= array_map(
            strval(...),
            array_keys(array_diff_key(array_flip($this->cells($column)), ['' => true])),
        );
    }

    public function name(int $column): string
    {
        return $this->sample->heading($column, $this->heading);
    }

    public function words(int $column): string
    {
        return Vocabulary::words($this->name($column));
    }

    public function isNumeric(int $column): bool
    {
        return $this->numeric[$column] ??= self::areNumbers($this->cells($column), $this->sample->delimiter);
    }

    /** @param list<string> $cells */
    public static function areNumbers(array $cells, string $delimiter): bool
    {
        $cells = array_values(
            array_filter(self::some($cells, 600), static fn(string $c): bool => !NumberNotation::isMissing($c)),
        );
        if ($cells === []) {
            return false;
        }
        $notation = NumberNotation::detect($cells, $delimiter);
        $numbers = $others = 0;
        foreach ($cells as $cell) {
            $figure = Figure::read($notation, $cell);
            // A letter for why there is no value says nothing.
            $numbers += $figure !== null && !is_nan($figure->value) ? 1 : 0;
            $others += $figure === null ? 1 : 0;
        }

        return $numbers > $others;
    }

    /**
     * So many of them at most, evenly from the first to the last.
     *
     * @param list<string> $cells
     * @return list<string>
     */
    public static function some(array $cells, int $most): array
    {
        $count = count($cells);
        if ($count <= $most) {
            return $cells;
        }

        return array_map(
            static fn(int $i): string => $cells[intdiv($i * ($count - 1), $most - 1)],
            range(0, $most - 1),
        );
    }

    /**
     * @param list<int> $except
     * @return list<int> columns that do not hold numbers
     */
    public function texts(array $except = []): array
    {
        return array_values(
            array_filter(array_diff($this->columns, $except), fn(int $column): bool => !$this->isNumeric($column)),
        );
    }

    /**
     * @param list<int> $among
     * @return int|null the first whose heading fits
     */
    public function named(array $among, string $pattern): ?int
    {
        foreach ($among as $column) {
            if (preg_match($pattern, $this->words($column)) === 1) {
                return $column;
            }
        }

        return null;
    }

    /** Whether each cell of a column is always beside the same one of another, and beside it. */
    public function follows(int $column, int $other): bool
    {
        $metadata = [];
        $cells = $this->cells($column);
        foreach ($this->cells($other) as $i => $cell) {
            if (($metadata[$cell] ??= $cells[$i]) !== $cells[$i]) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<int> $columns
     * @return int rows whose cells in these columns another row before has too
     */
    public function repeats(array $columns): int
    {
        $seen = [];
        $lists = array_map($this->cells(...), $columns);
        for ($i = 0, $count = count($this->rows); $i < $count; $i++) {
            $key = '';
            foreach ($lists as $cells) {
                $key .= "{$cells[$i]}\t";
            }
            $seen[$key] = true;
        }

        return count($this->rows) - count($seen);
    }

    /** @param list<int> $columns */
    public function numbers(array $columns): NumberNotation
    {
        return NumberNotation::detect($this->written($columns), $this->sample->delimiter);
    }

    /**
     * @param list<int> $columns
     * @return list<string> some of all their cells
     */
    public function all(array $columns): array
    {
        $cells = [];
        foreach (array_slice($columns, 0, 40) as $column) {
            array_push($cells, ...self::some($this->cells($column), 600));
        }

        return $cells;
    }

    /**
     * @param list<int> $columns
     * @return list<string> what is in them, as far as it is needed to tell how values are written
     */
    public function written(array $columns): array
    {
        $texts = [];
        foreach (array_slice($columns, 0, 40) as $column) {
            array_push($texts, ...self::some($this->different($column), 600));
        }

        return $texts;
    }

    /** Whether several rows are for one period, so that something else must tell them apart. */
    public function comesAgain(int $period): bool
    {
        $different = count($this->rows) - $this->repeats([$period, ...$this->time === null ? [] : [$this->time]]);

        return $different < 0.9 * count($this->rows);
    }

    /** The one year that the lines above the headings name, or the name of the file; null where there is none. */
    public function year(): ?int
    {
        $above = '';
        for ($row = 0; $row < ($this->heading ?? 0); $row++) {
            $above .= ' ' . implode(' ', $this->sample->rows[$row]);
        }
        foreach ([$above, basename($this->sample->fileName)] as $text) {
            preg_match_all('/(?<![\d.,])(?:19|20)\d\d(?![\d.,]\d|\d)/', $text, $m);
            $years = array_unique($m[0]);
            if ($years !== []) {
                return count($years) === 1 ? (int) $years[0] : null;
            }
        }

        return null;
    }

    /** Its columns and headings that are periods, looked for once. */
    public function periods(): PeriodColumns
    {
        return $this->periods ??= new PeriodColumns($this);
    }

    /** The table with other headings. */
    public function under(?int $heading): self
    {
        return new self($this->sample, $heading);
    }
}
