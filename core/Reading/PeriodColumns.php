<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\NumberedDates;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** Which columns or headings of a table are periods. */
final class PeriodColumns
{
    /** Cells that are looked at before all of a column. */
    private const FIRST = 6;

    /** Share of the numeric columns that may be headed by something else where the others are places in a year. */
    private const OTHERS = 0.1;

    /** @var array{array{list<int>, PeriodReading}|null}|null what periodsAcross() found */
    private ?array $across = null;

    /** @var array{array{int, PeriodReading}|null}|null what periodColumn() found */
    private ?array $down = null;

    public function __construct(private readonly Table $table) {}

    /** @return array{list<int>, PeriodReading}|null columns whose headings are periods, and how they read */
    public function periodsAcross(): ?array
    {
        return ($this->across ??= [$this->foundAcross()])[0];
    }

    /** @return array{list<int>, PeriodReading}|null */
    private function foundAcross(): ?array
    {
        $dated = $this->datedAcross();

        return $dated !== null && count($dated[0]) > 1 ? $dated : $this->undatedAcross() ?? $dated;
    }

    /** @return array{list<int>, PeriodReading}|null */
    private function datedAcross(): ?array
    {
        $best = null;
        $headings = $this->headings();
        $written = array_column($headings, 0);
        foreach ($written === [] ? [] : PeriodNotation::recognisable($written) as $notation) {
            $columns = $texts = [];
            foreach ($headings as $column => [$text, $unmarked]) {
                $isPlain = $notation->read($text) !== null;
                if ($isPlain || ($unmarked !== null && $notation->read($unmarked) !== null)) {
                    $columns[] = $column;
                    $texts[] = $isPlain ? $text : (string) $unmarked;
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
     * Headings that are months, quarters or weekdays without a year, or steps in an order: nearly all that are over
     * numbers.
     *
     * @return array{list<int>, PeriodReading}|null
     */
    private function undatedAcross(): ?array
    {
        $texts = [];
        foreach ($this->table->heading === null ? [] : $this->table->columns as $column) {
            if ($this->table->isNumeric($column)) {
                $texts[$column] = $this->table->sample->cell((int) $this->table->heading, $column);
            }
        }
        foreach ([...PeriodNotation::undated(), PeriodNotation::Step] as $notation) {
            $read = array_filter(array_map($notation->read(...), $texts), is_int(...));
            $others = array_diff_key($texts, $read);
            // A sum of them is none of them; other parts of the year are sums.
            $sums = array_filter(
                $others,
                static fn(string $text): bool => Vocabulary::benchmark($text) !== null ||
                    preg_match('/^(ytd|year|annual|mean|avg|trim|q[1-4]\b|h[12]\b|quart)/iu', $text) === 1,
            );
            $least = in_array($notation, [PeriodNotation::QuarterOfYear, PeriodNotation::HalfOfYear], true) ? 2 : 3;
            if (
                count($read) >= $least &&
                count(array_unique($read)) === count($read) &&
                count($others) - count($sums) <= self::OTHERS * count($texts)
            ) {
                return [array_keys($read), PeriodReading::of($notation)];
            }
        }

        return null;
    }

    /** @return array<int, array{string, string|null}> the heading of each column, as it is and without marks */
    private function headings(): array
    {
        $headings = [];
        foreach ($this->table->heading === null ? [] : $this->table->columns as $column) {
            $text = $this->table->sample->cell((int) $this->table->heading, $column);
            $headings[$column] = [$text, MarkedPeriod::of($text)->period ?? null];
        }

        return $headings;
    }

    /**
     * @return array{int, PeriodReading}|null the column of periods: one that says so in its heading before any
     *     other
     */
    public function periodColumn(): ?array
    {
        return ($this->down ??= [$this->foundDown()])[0];
    }

    /** @return array{int, PeriodReading}|null */
    private function foundDown(): ?array
    {
        $found = null;
        foreach ($this->table->columns as $column) {
            $saysSo = preg_match(Vocabulary::PERIOD, $this->table->words($column)) === 1;
            // A table of this program's own may hold periods of several kinds, each written as what it is.
            if ($saysSo && ($this->table->sample->notes()['periods'] ?? '') === 'code') {
                return [$column, PeriodReading::of(PeriodNotation::Code)];
            }
            $reading = $this->readingOf($column, $saysSo);
            if ($reading === null) {
                continue;
            }
            if ($saysSo) {
                return [$column, $reading];
            }
            if ($found === null && ($this->table->heading === null || $this->areInOrder($column, $reading))) {
                $found = [$column, $reading];
            }
        }

        return $found ?? ($this->undatedColumn() ?? $this->orderColumn());
    }

    /**
     * What a column is called and holds that looks like time and is in no notation that is known, in words; nothing
     * where there is none.
     */
    public function unknown(): string
    {
        foreach ($this->periodColumn() === null ? $this->table->columns : [] as $column) {
            $cells = $this->table->different($column);
            $isNamed = preg_match(Vocabulary::PERIOD, $this->table->words($column)) === 1;
            if ($isNamed && count($cells) > 1 && preg_grep('/\d/', $cells) !== []) {
                $some = implode(', ', array_slice($cells, 0, 3)) . (count($cells) > 3 ? ' …' : '');

                return "“{$this->table->name($column)}” looks like time, but “{$some}” is in no notation that is known";
            }
        }

        return '';
    }

    private function readingOf(int $column, bool $saysSo): ?PeriodReading
    {
        if (!$saysSo && !$this->mayBePeriods($column)) {
            return null;
        }
        $cells = $this->table->different($column);
        if ($saysSo && NumberedDates::areWeeks($this->table->words($column), $cells)) {
            return PeriodReading::of(PeriodNotation::WeekNumber);
        }

        return PeriodReading::detect($cells, $saysSo ? 0.5 : 0.9) ??
            ($saysSo ? PeriodReading::byHeading($this->table->words($column), $cells) : null);
    }

    /** Whether plain numbers may be years or dates, by the first of them; of many columns most are not. */
    private function mayBePeriods(int $column): bool
    {
        foreach (array_slice($this->table->different($column), 0, self::FIRST) as $cell) {
            $isPlain = preg_match('/^[-−]?\d+(?:[.,]\d+)?$/u', $cell) === 1;
            if (!$isPlain || preg_match('/^(?:1[5-9]|2[0-2])\d\d/', $cell) === 1) {
                return true;
            }
        }

        return false;
    }

    /** @return array{int, PeriodReading}|null a column of periods without a year */
    private function undatedColumn(): ?array
    {
        foreach ($this->table->columns as $column) {
            $reading = $this->table->isNumeric($column)
                ? null
                : PeriodReading::undated($this->table->different($column));
            if ($reading !== null) {
                return [$column, $reading];
            }
        }

        return null;
    }

    /**
     * Whether what could be periods are some: values of a measure that happen to be between 1500 and 2299 do not come
     * one after the other, and 1750.5 is no May.
     */
    private function areInOrder(int $column, PeriodReading $reading): bool
    {
        $cells = $this->table->different($column);
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

    /** @return array{int, PeriodReading}|null a column of plain numbers whose heading says that they are in order */
    private function orderColumn(): ?array
    {
        foreach ($this->table->heading === null ? [] : $this->table->columns as $column) {
            $cells = $this->table->different($column);
            $read = array_filter($cells, static fn(string $c): bool => PeriodNotation::Number->read($c) !== null);
            if (
                preg_match(Vocabulary::ORDER, $this->table->words($column)) === 1 &&
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
        $numbers = array_map(
            intval(...),
            array_filter($this->table->cells($column), static fn(string $c): bool => $c !== ''),
        );
        $numbers = array_values($numbers);
        $falls = 0;
        for ($i = 1, $count = count($numbers); $i < $count; $i++) {
            $falls += $numbers[$i] < $numbers[$i - 1] ? 1 : 0;
        }

        return $falls <= 0.35 * count($numbers);
    }
}
