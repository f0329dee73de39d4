<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** The headings of a table, in one row or two, and what they say of a column. Rows and columns count from 0. */
final class TableHeadings
{
    /** How many cells the row of headings has; 0 before it, or where there is none. */
    public int $breadth = 0;

    /** @var array<int, string> */
    private array $texts = [];

    /** @var array<int, string> of a row of headings over those, filled to the right */
    private array $upper = [];

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
            return;
        }
        $this->texts = array_map(trim(...), $row);
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

    /** @param list<string> $row */
    public function areRepeatedIn(array $row): bool
    {
        return array_map(trim(...), $row) === $this->texts;
    }

    public function isHeading(int $column, string $cell): bool
    {
        return $cell === ($this->texts[$column] ?? null);
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
        return $this->isTurned() ? $this->text($column) : $this->upper[$column] ?? '';
    }

    /** The text of the period that a column is of. */
    public function period(int $column): string
    {
        return ($this->plan->above !== null && $this->isTurned() ? $this->upper : $this->texts)[$column] ?? '';
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
