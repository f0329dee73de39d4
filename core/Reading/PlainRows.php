<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\PeriodNotation;

/**
 * The fast way through rows of the plainest kind: a period, an entity and values, nothing more. It reads only what
 * came before, at a quarter of the cost, and hands back every row that is in any way new.
 */
final class PlainRows
{
    /** True if all rows may be plain; null until one was read. */
    private ?bool $arePlain = null;

    /** @var array{int, int, array<int, int>}|null columns of period and entity, and the measure of each column of values */
    private ?array $columns = null;

    public function __construct(
        private readonly Plan $plan,
        private readonly TableHeadings $headings,
        private readonly PeriodCells $periods,
        private readonly Subjects $subjects,
        private readonly MeasureList $measures,
        private readonly CellValues $cells,
    ) {}

    /** Forgets the columns; the next row has other measures. */
    public function reset(): void
    {
        $this->columns = null;
    }

    /** Learns the columns after a row was read in full, if the plan allows plain rows. */
    public function learn(): void
    {
        if ($this->arePlain === false || $this->columns !== null) {
            return;
        }
        $columns = $this->plan->columns;
        $this->arePlain ??= $this->headings->breadth > 0 && $this->isSimple();
        if (!$this->arePlain || $columns->period === null || $columns->entity === null || $columns->values === []) {
            return;
        }
        $measures = [];
        foreach ($columns->values as $column) {
            $measure = $this->measures->ids[$this->measures->nameOfColumn($column)] ?? null;
            if ($measure === null) {
                return;
            }
            $measures[$column] = $measure;
        }
        $this->columns = [$columns->period, $columns->entity, $measures];
    }

    private function isSimple(): bool
    {
        $columns = $this->plan->columns;
        $others = [$columns->measure, $columns->unit, $columns->multiplier, $columns->status, $columns->group];

        return $this->plan->numbers === NumberNotation::Point &&
            $this->plan->periods->notation !== PeriodNotation::Code &&
            array_filter([...$others, $columns->month, $columns->day], is_int(...)) === [] &&
            $this->plan->stated->columnUnits === [] &&
            $this->plan->stated->missing === '' &&
            [...$columns->about, ...$columns->qualifiers, ...$columns->breakdowns] === [];
    }

    /**
     * Reads a row like those before it: its period and its entity came before, its cells are plain numbers, and nothing
     * is in their places yet.
     *
     * @param list<string> $row
     * @return bool true if it is one; nothing is read otherwise
     */
    public function read(int $number, array $row): bool
    {
        if ($this->columns === null || count($row) !== $this->headings->breadth) {
            return false;
        }
        [$period, $entity, $measures] = $this->columns;
        $ordinal = $this->periods->ordinals[$row[$period]] ?? null;
        $subject = $this->subjects->entityIds[$row[$entity]] ?? null;
        if ($ordinal === null || $subject === null) {
            return false;
        }
        $cells = $this->cells;
        foreach ($measures as $column => $measure) {
            $text = $row[$column];
            if (
                !is_numeric($text) ||
                strlen($text) > 30 ||
                strpbrk($text, 'eExX') !== false ||
                isset($cells->values[$measure][$subject][$ordinal])
            ) {
                return false;
            }
        }
        foreach ($measures as $column => $measure) {
            $value = (float) $row[$column];
            // There is no zero below zero; adding 0.0 would do, but compilers leave that out.
            $cells->values[$measure][$subject][$ordinal] = $value === 0.0 ? 0.0 : $value;
            $cells->places[$measure][$subject][$ordinal] = $number * Observations::COLUMNS + $column;
        }

        return true;
    }
}
