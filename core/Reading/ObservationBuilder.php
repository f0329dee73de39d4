<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Reading\Shapes\Shape;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodNotation;

/**
 * What has been read of a table so far. A shape hands the cells of its rows to the parts of this. They become values;
 * what cannot be read is listed, so that the user sees it all at once and nothing is guessed in silence.
 */
final class ObservationBuilder
{
    private const NOTES_KEPT = 60;

    public int $rowCount = 0;

    public readonly TableHeadings $headings;

    public readonly ProblemList $problems;

    public readonly PeriodCells $periods;

    public readonly Subjects $subjects;

    public readonly MeasureList $measures;

    public readonly CellValues $cells;

    public readonly PlainRows $plainRows;

    public readonly EventAggregator $events;

    public readonly AccountKeeper $account;

    /** @var list<string> rows that hold a text but no values */
    private array $notes = [];

    /** The text of the row before, if it held nothing else. */
    private ?string $title = null;

    /**
     * @param Frequency $frequency of values that have none of their own
     * @param bool $isOfFigures true if a row without a value is no row of the table
     */
    public function __construct(
        public readonly Plan $plan,
        private readonly Frequency $frequency,
        private readonly bool $isOfFigures,
    ) {
        $problems = $this->problems = new ProblemList();
        $headings = $this->headings = new TableHeadings($plan);
        $periods = $this->periods = new PeriodCells($plan, $headings, $problems);
        $subjects = $this->subjects = new Subjects($plan, $headings, $problems);
        $measures = $this->measures = new MeasureList($plan, $headings, $problems);
        $this->cells = new CellValues($plan, $frequency, $headings, $subjects, $measures, $problems);
        $this->plainRows = new PlainRows($plan, $headings, $periods, $subjects, $measures, $this->cells);
        $this->events = new EventAggregator($plan);
        $this->account = new AccountKeeper($plan, $headings);
    }

    /**
     * Takes a row that holds no value: a note, a heading between rows, or the headings again.
     *
     * @param list<string> $row
     * @return bool true if it is one
     */
    public function isNonData(array $row): bool
    {
        $columns = $this->plan->columns;
        foreach ($columns->values as $column) {
            $cell = trim($row[$column] ?? '');
            if ($cell !== '') {
                return $this->headings->isHeading($column, $cell) && $this->isRepeatedHeader($row);
            }
        }
        if ($columns->values === [] || !$this->isOfFigures || $this->periods->isIn($row)) {
            return false;
        }
        if ($this->plan->arrangement->sections !== null && Sections::isTitle($row)) {
            return true;
        }
        $text = trim(implode(' ', array_filter(array_map(trim(...), $row))));
        if ($text !== '' && count($this->notes) < self::NOTES_KEPT) {
            $this->notes[] = mb_strimwidth(mb_scrub($text), 0, 300, '…');
            $this->title = $text;
        }

        return true;
    }

    /**
     * True if the headings come again. Under a title, another measure follows.
     *
     * @param list<string> $row
     */
    private function isRepeatedHeader(array $row): bool
    {
        if (!$this->headings->areRepeatedIn($row)) {
            return false;
        }
        if ($this->title !== null) {
            array_pop($this->notes);
            $this->measures->startBlock($this->title);
            $this->title = null;
            $this->plainRows->reset();
        }

        return true;
    }

    /**
     * Reads a row on the fast way.
     *
     * @param list<string> $row
     * @return bool false if the row must be read in full
     */
    public function readPlain(int $number, array $row): bool
    {
        if (!$this->plainRows->read($number, $row)) {
            return false;
        }
        $this->rowCount++;
        $this->title = null;
        $this->account->see($row);

        return true;
    }

    /**
     * Reads a row as a shape does, and keeps account of what came of it.
     *
     * @param list<string> $row of values
     */
    public function read(Shape $shape, int $number, array $row): void
    {
        $this->begin($number, $row);
        $before = $this->taken();
        $shape->row($this, $number, $row);
        $this->account->see($row);
        if ($before === $this->taken()) {
            $this->account->passOver($row);
        }
    }

    /** @param list<string> $row of values */
    private function begin(int $number, array $row): void
    {
        $this->rowCount++;
        $this->title = null;
        $this->cells->scaleBy($row);
        $breadth = $this->headings->breadth;
        $extra = $breadth > 0 && count($row) > $breadth ? trim(implode(' ', array_slice($row, $breadth))) : '';
        if ($extra !== '') {
            $expected = "no cell here; the header row has {$breadth} cells";
            $this->problems->cell($number, 'column ' . ($breadth + 1), $extra, $expected);
        }
    }

    /** How many cells have become a value or a problem so far. */
    private function taken(): int
    {
        return $this->cells->count + $this->problems->count + $this->events->count;
    }

    public function short(int $row, int $column): void
    {
        $this->problems->cell($row, $this->headings->text($column), '', 'a cell here; the row is too short');
    }

    public function observations(): Observations
    {
        if ($this->plan->periods->notation === PeriodNotation::YearToDate) {
            $this->cells->takeDifferences();
        }
        $observations = new Observations(
            $this->frequency,
            array_values($this->measures->all),
            $this->subjects->entities,
            $this->cells->values,
            $this->cells->places,
            $this->cells->statuses,
            $this->problems->first,
            $this->problems->count,
            $this->cells->duplicateCount,
            $this->rowCount,
            new Metadata(
                $this->subjects->described(),
                $this->subjects->combinations,
                array_map($this->headings->text(...), $this->plan->columns->breakdowns),
                $this->notes,
                $this->subjects->benchmarks(),
                array_intersect_key($this->plan->rows->benchmarks, array_flip($this->subjects->entities)),
                $this->account->account(),
            ),
        );
        Limits::hold($observations);

        return $observations;
    }
}
