<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Status;
use DuskRail\Time\MonthNames;
use DuskRail\Time\YearPart;

/** What the texts of a table's periods mean, each read once. Rows and columns count from 0. */
final class PeriodCells
{
    /** @var array<string, int|null> ordinals by the text of a cell */
    public array $ordinals = [];

    /** @var array<int, int|null> ordinals by column */
    private array $ofColumns = [];

    /** @var array<int, int> what the headings of columns say of their values */
    private array $statuses = [];

    /** @var array<string, array{int, int}> ordinal and status by the text of a cell that has a mark */
    private array $marked = [];

    public function __construct(
        private readonly Plan $plan,
        private readonly TableHeadings $headings,
        private readonly ProblemList $problems,
    ) {}

    /** The ordinal of a cell; null, with a problem noted, if it is no period. */
    public function ofCell(int $row, int $column, string $text): ?int
    {
        if (!array_key_exists($text, $this->ordinals) && !isset($this->marked[$text])) {
            [$ordinal, $status] = MarkedPeriod::read($this->plan->periods, $text);
            // What says something of its values is not among those that are passed over quickly.
            if ($ordinal !== null && $status !== Status::Measured) {
                $this->marked[$text] = [$ordinal, $status->value];
            } else {
                $this->ordinals[$text] = $ordinal;
            }
        }
        $ordinal = $this->marked[$text][0] ?? $this->ordinals[$text];
        if ($ordinal === null) {
            $example = $this->plan->periods->notation->example();
            $this->problems->cell($row, $this->headings->text($column), $text, "a period, for example {$example}");
        }

        return $ordinal;
    }

    /** The ordinal that the heading of a column says; null, with a problem noted once, if it says none. */
    public function ofHeading(int $column): ?int
    {
        if (!array_key_exists($column, $this->ofColumns)) {
            $text = $this->headings->period($column);
            [$this->ofColumns[$column], $status] = MarkedPeriod::read($this->plan->periods, $text);
            $this->statuses[$column] = $status->value;
            if ($this->ofColumns[$column] === null) {
                $example = $this->plan->periods->notation->example();
                $this->problems->cell(
                    $this->plan->heading ?? 0,
                    'column ' . ($column + 1),
                    $text,
                    "a period as header, for example {$example}",
                );
            }
        }

        return $this->ofColumns[$column];
    }

    /** What the heading of a column says of its values, as `p` after a year; 0 for nothing. */
    public function statusOfHeading(int $column): int
    {
        return $this->statuses[$column] ?? 0;
    }

    /** The same of a cell that was read. */
    public function statusOfCell(string $text): int
    {
        return $this->marked[$text][1] ?? 0;
    }

    /**
     * A period that is in several columns, put together: `2024-03`, `2024-Q1`, or `2024-03-31`.
     *
     * @param list<string> $row
     */
    public function joined(array $row): string
    {
        $columns = $this->plan->columns;
        $cell = static fn(?int $column): string => $column === null ? '' : trim($row[$column] ?? '');
        $two = static fn(int|string $part): string => str_pad((string) $part, 2, '0', STR_PAD_LEFT);
        $part = YearPart::of($this->plan->periods->notation);
        $number = $part->number($cell($columns->month));
        $month = $number === null ? $two($cell($columns->month)) : $part->code($number);
        $day = $columns->day === null ? '' : '-' . $two($cell($columns->day));

        return "{$cell($columns->period)}-{$month}{$day}";
    }

    /**
     * True if a row has a period, by the plan or as a month alone.
     *
     * @param list<string> $row
     */
    public function isIn(array $row): bool
    {
        $column = $this->plan->columns->period;
        $text = $column === null ? '' : trim($row[$column] ?? '');

        return $text !== '' &&
            (MarkedPeriod::read($this->plan->periods, $text)[0] ?? MonthNames::number($text)) !== null;
    }
}
