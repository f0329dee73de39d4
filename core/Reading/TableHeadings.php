<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\PeriodNotation;
use DuskRail\Time\YearPart;

/** The headings of a table, in one row or two, and what they say of a column. Rows and columns count from 0. */
final class TableHeadings
{
    /** How many cells the row of headings has; 0 before it, or where there is none. */
    public int $breadth = 0;

    /** @var array<int, string> */
    private array $texts = [];

    /** @var array<int, string> of a row of headings over those, filled to the right */
    private array $upper = [];

    /** @var list<string> the row over the headings, filled to the right */
    private array $over = [];

    /** @var list<string> the headings as they are in the file */
    private array $written = [];

    private ?bool $isTurned = null;

    public function __construct(private readonly Plan $plan) {}

    /** @param list<string> $row at or above the headings */
    public function read(int $number, array $row): void
    {
        $plan = $this->plan;
        if ($number === $plan->above) {
            $this->upper = self::filled($row);
        }
        if ($number !== $plan->heading) {
            $this->over = self::filled($row);

            return;
        }
        $this->written = array_map(trim(...), $row);
        $this->texts = $this->toldApart($this->written);
        $this->breadth = count($row);
        foreach ($plan->joined ? $plan->columns->values : [] as $column) {
            $heading = $this->texts[$column] ?? '';
            [$this->upper[$column], $this->texts[$column]] = Plan::parted($heading, $plan->periods) ?? [
                $plan->stated->measureName,
                $heading,
            ];
        }
    }

    /**
     * Columns of values of one name, by what is over them: `Cost` under `Water` and under `Waste`.
     *
     * @param list<string> $texts
     * @return array<int, string>
     */
    private function toldApart(array $texts): array
    {
        $values = $this->plan->isPaired() ? [] : array_intersect_key($texts, array_flip($this->plan->columns->values));
        $counts = array_count_values($values);
        $named = [];
        foreach ($values as $column => $text) {
            $over = $this->over[$column] ?? '';
            $named[$column] = $counts[$text] > 1 && $over !== '' && $text !== '' ? "{$over}, {$text}" : $text;
        }

        return count(array_unique($named)) > count($counts) ? $named + $texts : $texts;
    }

    /**
     * A row of headings over several columns each: a cell that is empty says what the one before it says.
     *
     * @param list<string> $row
     * @return list<string>
     */
    private static function filled(array $row): array
    {
        $filled = [];
        $last = '';
        foreach ($row as $cell) {
            $last = trim($cell) === '' ? $last : trim($cell);
            $filled[] = $last;
        }

        return $filled;
    }

    /** The heading of a column, or its number where it has none. */
    public function text(int $column): string
    {
        $text = $this->texts[$column] ?? '';

        return $text === '' ? 'column ' . ($column + 1) : $text;
    }

    /** What the row over the headings says of a column. */
    public function over(int $column): string
    {
        return $this->upper[$column] ?? '';
    }

    /** @param list<string> $row */
    public function areRepeatedIn(array $row): bool
    {
        return array_map(trim(...), $row) === $this->written;
    }

    public function isHeading(int $column, string $cell): bool
    {
        return $cell === ($this->written[$column] ?? null);
    }

    /** What a column of values measures: its heading, unless that is no more than “value”; then null. */
    public function measure(int $column): ?string
    {
        $heading = $this->text($column);
        $isNamed = preg_match('/^(value|values|figure|amount|obs_value|column \d+)$/i', $heading) !== 1;

        return $isNamed || count($this->plan->columns->values) > 1 ? $heading : null;
    }

    /** The measure of a column where two rows of headings say measure and period. */
    public function pairedMeasure(int $column): string
    {
        if ($this->inParts($column) !== null) {
            return $this->plan->stated->measureName;
        }

        return $this->isTurned() ? $this->text($column) : $this->upper[$column] ?? '';
    }

    /** The text of the period that a column is of. */
    public function period(int $column): string
    {
        return $this->inParts($column) ??
            (($this->plan->above !== null && $this->isTurned() ? $this->upper : $this->texts)[$column] ?? '');
    }

    /** A year in one row and its month, quarter or week in the other, put together; null where it is not so. */
    private function inParts(int $column): ?string
    {
        $rows = [$this->upper[$column] ?? '', $this->texts[$column] ?? ''];
        $year = preg_match('/^[12]\d{3}$/', $rows[0]) === 1 ? $rows[0] : $rows[1];
        $isOfParts = in_array($this->plan->periods->notation, array_map(
            static fn(YearPart $part): PeriodNotation => $part->notation(),
            YearPart::ofYear(),
        ), true);
        if ($this->plan->above === null || !$isOfParts || preg_match('/^[12]\d{3}$/', $year) !== 1) {
            return null;
        }
        $part = YearPart::of($this->plan->periods->notation);
        $number = $part->number($rows[0] === $year ? $rows[1] : $rows[0]);

        return $number === null ? null : "{$year}-{$part->code($number)}";
    }

    /** True if the upper of two rows of headings holds the periods. */
    private function isTurned(): bool
    {
        $column = $this->plan->columns->values[0] ?? 0;

        return $this->isTurned ??=
            $this->plan->periods->read($this->texts[$column] ?? '') === null &&
            $this->plan->periods->read($this->upper[$column] ?? '') !== null;
    }
}
