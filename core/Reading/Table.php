<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\MeasureKind;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** The beginning of a table under its headings, and what can be said of its columns; each is looked at once. */
final class Table
{
    /** @var list<int> columns that hold anything of their own */
    public readonly array $columns;

    /** @var list<string> what was passed over, in words */
    public readonly array $passedOver;

    /** A column of times of day beside that of the days. */
    private readonly ?int $time;

    /** @var list<int> rows of values */
    private readonly array $rows;

    /** @var array<int, list<string>> */
    private array $cells = [];

    /** @var array<int, bool> */
    private array $numeric = [];

    /** @var array<int, list<string>> */
    private array $different = [];

    public function __construct(public readonly Sample $sample, public readonly ?int $heading)
    {
        $rows = [];
        for ($row = ($heading ?? -1) + 1, $count = count($sample->rows); $row < $count; $row++) {
            // A row with a single cell is a remark or a heading between rows.
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
        $this->rows = $rows;
        $columns = $said = [];
        for ($column = 0, $count = $sample->breadth($heading); $column < $count; $column++) {
            $twin = $this->twin($column, $columns);
            if ($this->isSaidAgain($column)) {
                $said[] = 'the first column has no header and repeats another column';
            } elseif ($twin !== null) {
                $said[] = "“{$this->name($column)}” appears twice with the same values; the first is used";
            } elseif ($this->isRowNumber($column)) {
                $said[] = 'the first column numbers the rows';
            } elseif ($this->different($column) !== []) {
                $columns[] = $column;
            }
        }
        $time = $this->timeColumn($columns);
        $this->columns = array_values(array_diff($columns, [$time ?? -1]));
        if ($time !== null) {
            $said[] = "“{$this->name($time)}” contains times of day";
        }
        $this->passedOver = $said;
        $this->time = $time;
    }

    /**
     * A column of times of day, or of their numbers, beside one of dates.
     *
     * @param list<int> $columns
     */
    private function timeColumn(array $columns): ?int
    {
        foreach ($this->heading === null ? [] : $columns as $column) {
            $words = $this->words($column);
            $cells = preg_match(Vocabulary::TIME_OF_DAY, $words) === 1 ? $this->different($column) : [];
            $clock =
                preg_grep('/^\d{1,2}([:.]\d{2}){1,2}( ?[ap]\.?m\.?)?( ?[-–] ?\d{1,2}([:.]\d{2}){1,2})?$/iu', $cells) ?:
                [];
            // Hours are numbers of them in the plural: those that somebody has worked.
            $numbers = preg_grep('/hours|^time|^clock|zeit|tijd/i', [$words]) ? [] : $cells;
            $hours = array_filter($numbers, static fn(string $c): bool => ctype_digit($c) && (int) $c <= 50);
            $are = count($cells) > 1 && max(count($clock), count($hours)) === count($cells);
            if ($are && $this->haveDates(array_values(array_diff($columns, [$column])))) {
                return $column;
            }
        }

        return null;
    }

    /**
     * Whether days are in one of these columns, or a year, a month and a day in three.
     *
     * @param list<int> $columns
     */
    private function haveDates(array $columns): bool
    {
        foreach ($columns as $column) {
            $periods = PeriodReading::detect($this->different($column));
            if (
                $periods?->notation->frequency() === Frequency::Day ||
                ($periods?->notation === PeriodNotation::Year &&
                    ($this->partsOfDate($column, $columns)[1] ?? null) !== null)
            ) {
                return true;
            }
        }

        return false;
    }

    /** Whether it is a first column without a heading that only counts the rows. */
    private function isRowNumber(int $column): bool
    {
        if ($column > 0 || $this->heading === null || $this->sample->cell($this->heading, 0) !== '') {
            return false;
        }
        $cells = $this->cells(0);
        $whole = array_filter($cells, static fn(string $c): bool => preg_match('/^\d{1,7}$/', $c) === 1);

        return count($cells) > 2 &&
            count($whole) === count($cells) &&
            count($this->different(0)) === count($cells) &&
            PeriodReading::detect($this->different(0)) === null &&
            $this->sample->breadth($this->heading) > 2;
    }

    /** @param list<int> $before */
    private function twin(int $column, array $before): ?int
    {
        foreach ($this->sample->cell($this->heading ?? -1, $column) === '' ? [] : $before as $other) {
            if ($this->name($other) === $this->name($column) && $this->cells($other) === $this->cells($column)) {
                return $other;
            }
        }

        return null;
    }

    /** Whether a first column without a heading says what another one with a heading says again. */
    private function isSaidAgain(int $column): bool
    {
        if ($column > 0 || $this->heading === null || $this->sample->cell($this->heading, 0) !== '') {
            return false;
        }
        for ($other = 1, $count = $this->sample->breadth($this->heading); $other < $count; $other++) {
            if ($this->cells($other) === $this->cells(0)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param list<int> $among
     * @return int|null a column whose heading says that it names entities: texts before whole numbers
     */
    public function entityNamed(array $among): ?int
    {
        $texts = array_values(array_filter($among, fn(int $column): bool => !$this->isNumeric($column)));
        $codes = array_values(
            array_filter(
                array_diff($among, $texts),
                fn(int $column): bool => preg_match('/^(area|land)\b|\s/i', $this->words($column)) !== 1 &&
                    array_filter($this->different($column), static fn(string $c): bool => !ctype_digit($c)) === [],
            ),
        );

        return $this->named([...$texts, ...$codes], Vocabulary::ENTITY);
    }

    /**
     * Whether the headings of columns are of measures of one thing rather than of things that are compared: they are
     * words of what is measured, have units of their own, or values of quite another size.
     *
     * @param list<int> $columns
     */
    public function areMeasures(array $columns): bool
    {
        if (count($columns) < 2) {
            return false;
        }
        $known = $units = $sizes = $words = [];
        foreach ($columns as $column) {
            $heading = Heading::read($this->words($column));
            [, $why] = MeasureKind::guessed((string) preg_replace('/[._]/', ' ', $heading->name), $heading->unit);
            $known[] = str_starts_with($why, 'by ');
            $words[$why] = true;
            $units[$heading->unit] = true;
            $sizes[] = $this->size($column);
        }
        $sizes = array_filter($sizes, static fn(float $size): bool => $size > 0.0);

        // One word in all of them tells none apart.
        return (count($words) > 1 && count(array_filter($known)) >= 0.5 * count($columns)) ||
            count($units) > 1 ||
            ($sizes !== [] && max($sizes) > 10_000.0 * min($sizes));
    }

    /** How large the data of a column are: their median without signs. */
    private function size(int $column): float
    {
        $notation = $this->numbers([$column]);
        $values = [];
        foreach (array_slice($this->different($column), 0, 400) as $cell) {
            $value = Figure::read($notation, $cell)->value ?? NAN;
            if (!is_nan($value)) {
                $values[] = abs($value);
            }
        }
        sort($values);

        return $values[intdiv(count($values), 2)] ?? 0.0;
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

    /** Whether the dates in a column are of several times of the same day. */
    public function hasTimes(int $column): bool
    {
        $texts = array_slice($this->different($column), 0, 60);
        $days = array_map(
            static fn(string $t): string => substr($t, 0, -strlen(PeriodNotation::timeOf($t)) ?: null),
            $texts,
        );

        return $this->time !== null || count(array_unique($days)) < count($texts);
    }

    /**
     * How many rows share their entity and day with another one, and whether they are readings by the clock: at the
     * same times of nearly every day.
     *
     * @return array{int, bool}
     */
    public function daysShared(int $column, PeriodReading $periods, ?int $entity): array
    {
        $ordinals = array_map($periods->read(...), array_combine($this->different($column), $this->different($column)));
        $days = $times = [];
        foreach ($this->cells($column) as $i => $text) {
            $days[($entity === null ? '' : $this->cells($entity)[$i]) . "\t" . ($ordinals[$text] ?? $text)] = true;
            $times[$this->time === null ? PeriodNotation::timeOf($text) : $this->cells($this->time)[$i]] = true;
        }
        $rows = count($this->rows);

        return [$rows - count($days), count($times) > 1 && $rows >= 0.8 * count($days) * count($times)];
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
    private static function some(array $cells, int $most): array
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

    /**
     * @param list<int> $among
     * @return int|null the one with the most different texts: names of entities rather than of groups or units
     */
    public function mostVaried(array $among): ?int
    {
        // What values are split by is compared where there is nothing else.
        $compared = array_filter(
            $among,
            fn(int $column): bool => preg_match(Vocabulary::SPLIT, $this->words($column)) !== 1,
        );
        $best = null;
        $most = 0;
        foreach ($compared === [] ? $among : $compared as $column) {
            $different = count($this->different($column));
            // Of a name and its code, which are as many, the name.
            $more = $different > $most || ($different === $most && $best !== null && $this->isLonger($column, $best));
            if ($more) {
                [$best, $most] = [$column, $different];
            }
        }

        return $best;
    }

    private function isLonger(int $column, int $other): bool
    {
        $length = fn(int $c): int => mb_strlen(implode('', $this->different($c)));

        return preg_match(Vocabulary::CODE, $this->words($other)) === 1 && $length($column) > $length($other);
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

    /** @return array{list<int>, PeriodReading}|null columns whose headings are periods, and how they read */
    public function periodsAcross(): ?array
    {
        $best = null;
        foreach ($this->heading === null ? [] : PeriodNotation::recognisable() as $notation) {
            $columns = $texts = [];
            foreach ($this->columns as $column) {
                $text = $this->sample->cell((int) $this->heading, $column);
                if ($notation->read($text) !== null) {
                    $columns[] = $column;
                    $texts[] = $text;
                }
            }
            if (count($columns) > ($best === null ? 0 : count($best[0]))) {
                $reading = PeriodReading::detect($texts);
                $all = $reading !== null && !in_array(null, array_map($reading->notation->read(...), $texts), true);
                $best = [$columns, $reading !== null && $all ? $reading : PeriodReading::of($notation)];
            }
        }

        return $best;
    }

    /**
     * @return array{int, PeriodReading}|null the column of periods: one that says so in its heading before any
     *     other
     */
    public function periodColumn(): ?array
    {
        $found = null;
        foreach ($this->columns as $column) {
            $saysSo = preg_match(Vocabulary::PERIOD, $this->words($column)) === 1;
            // A table of this program's own may hold periods of several kinds, each written as what it is.
            if ($saysSo && ($this->sample->notes()['periods'] ?? '') === 'code') {
                return [$column, PeriodReading::of(PeriodNotation::Code)];
            }
            $reading =
                PeriodReading::detect($this->different($column), $saysSo ? 0.5 : 0.9) ??
                ($saysSo ? PeriodReading::decimal($this->different($column)) : null);
            if ($reading === null) {
                continue;
            }
            if ($saysSo) {
                return [$column, $reading];
            }
            if ($found === null && ($this->heading === null || $this->areInOrder($column, $reading))) {
                $found = [$column, $reading];
            }
        }

        return $found ?? $this->orderColumn();
    }

    /**
     * Whether what could be periods are some: values of a measure that happen to be between 1500 and 2299 do not come
     * one after the other, and 1750.5 is no May.
     */
    private function areInOrder(int $column, PeriodReading $reading): bool
    {
        $cells = $this->different($column);
        if (array_filter($cells, static fn(string $c): bool => preg_match('/^\d{4}\.\d{1,2}$/', $c) === 1) !== []) {
            return false;
        }
        $ordinals = array_values(array_filter(array_map($reading->read(...), $cells), is_int(...)));
        $sorted = $ordinals;
        sort($sorted);
        // Years of elections have no step, and are in order.
        $isInOrder = in_array($ordinals, [$sorted, array_reverse($sorted)], true);
        if ($isInOrder || preg_match('/^\d+$/', $cells[0] ?? '') !== 1 || count($ordinals) < 4) {
            return true;
        }
        $ordinals = $sorted;
        $steps = [];
        for ($i = 1, $count = count($ordinals); $i < $count; $i++) {
            $steps[] = $ordinals[$i] - $ordinals[$i - 1];
        }
        $usual = array_count_values($steps);

        return $usual !== [] && max($usual) >= 0.6 * count($steps);
    }

    /** Whether several rows are for one period, so that something else must tell them apart. */
    public function comesAgain(int $period): bool
    {
        $different = count($this->rows) - $this->repeats([$period, ...$this->time === null ? [] : [$this->time]]);

        return $different < 0.9 * count($this->rows);
    }

    /**
     * A column of whole numbers that tells rows of one period apart: numbers of subjects, of trees.
     *
     * @param list<int> $among
     * @param list<int> $keys
     */
    public function numbered(array $among, array $keys): ?int
    {
        foreach ($among as $column) {
            $whole = array_filter(
                $this->different($column),
                static fn(string $c): bool => preg_match('/^\d{1,9}$/', $c) === 1,
            );
            if (
                count($whole) > 1 &&
                count($whole) === count($this->different($column)) &&
                count($whole) < 0.5 * count($this->rows) &&
                $this->repeats([...$keys, $column]) <= 0.02 * count($this->rows)
            ) {
                return $column;
            }
        }

        return null;
    }

    /** @return array{int, PeriodReading}|null a column of plain numbers whose heading says that they are in order */
    private function orderColumn(): ?array
    {
        foreach ($this->heading === null ? [] : $this->columns as $column) {
            $cells = $this->different($column);
            $read = array_filter($cells, static fn(string $c): bool => PeriodNotation::Number->read($c) !== null);
            if (
                preg_match(Vocabulary::ORDER, $this->words($column)) === 1 &&
                count($cells) >= 3 &&
                count($read) === count($cells) &&
                $this->rises($column)
            ) {
                return [$column, PeriodReading::of(PeriodNotation::Number)];
            }
        }

        return null;
    }

    /** Whether whole numbers mostly grow from row to row, as what is in order does. */
    private function rises(int $column): bool
    {
        $numbers = array_map(intval(...), array_filter($this->cells($column), static fn(string $c): bool => $c !== ''));
        $numbers = array_values($numbers);
        $falls = 0;
        for ($i = 1, $count = count($numbers); $i < $count; $i++) {
            $falls += $numbers[$i] < $numbers[$i - 1] ? 1 : 0;
        }

        return $falls <= 0.35 * count($numbers);
    }

    public function monthsColumn(): ?int
    {
        foreach ($this->columns as $column) {
            $cells = self::some($this->different($column), 60);
            $months = array_filter($cells, static fn(string $c): bool => PeriodNotation::monthOfYear($c) !== null);
            if (count($months) >= 2 && count($months) >= 0.8 * count($cells)) {
                return $column;
            }
        }

        return null;
    }

    /**
     * Where a year is by itself: the columns of its month and of its day.
     *
     * @param list<int>|null $among columns; null for all
     * @return array{int, int|null}|null
     */
    public function partsOfDate(int $year, ?array $among = null): ?array
    {
        if ($this->heading === null) {
            return null;
        }
        $among = array_values(array_diff($among ?? $this->columns, [$year]));
        $month = $this->partOfDate('/\b(month|monat|mois|mes|mese|maand|måned)\b/iu', 12, $among);
        $others = array_values(array_diff($among, [$month]));

        return $month === null
            ? null
            : [$month, $this->partOfDate('/\b(day|tag|jour|día|giorno|dag)\b/iu', 31, $others)];
    }

    /** @param list<int> $among */
    private function partOfDate(string $pattern, int $most, array $among): ?int
    {
        foreach ($among as $column) {
            $cells = $this->different($column);
            $fits = array_filter(
                $cells,
                static fn(string $c): bool => (preg_match('/^\d{1,2}$/', $c) === 1 &&
                    (int) $c >= 1 &&
                    (int) $c <= $most) ||
                    ($most === 12 && PeriodNotation::monthOfYear($c) !== null),
            );
            if ($cells !== [] && count($fits) === count($cells) && preg_match($pattern, $this->words($column)) === 1) {
                return $column;
            }
        }

        return null;
    }

    /** The table with other headings. */
    public function under(?int $heading): self
    {
        return new self($this->sample, $heading);
    }
}
