<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\Frequency;
use DuskRail\Time\Period;

/** The measures found in a table so far, in the order of their coming. Rows and columns count from 0. */
final class MeasureList
{
    /** @var array<int, ReadMeasure> */
    public array $all = [];

    /** @var array<string, int> by what is in the cells */
    public array $ids = [];

    /** Title of the block that is being read, if there are several one under the other; null in the first. */
    private ?string $block = null;

    /** @var array<string, Frequency> by text of the period, where each says its own */
    private array $frequencies = [];

    /** @var array<string, string> units by what is in their column */
    private array $units = ['' => ''];

    /** @var array<string, string> the first unit that came with the name of a measure */
    private array $rowUnits = [];

    /** @var array<int, string> units that are in the cells, by measure */
    private array $cellUnits = [];

    public function __construct(
        private readonly Plan $plan,
        private readonly TableHeadings $headings,
        private readonly ProblemList $problems,
    ) {}

    /** Starts the next of several blocks one under the other; its title names its measure. */
    public function startBlock(string $title): void
    {
        $this->block = $title;
    }

    /** The name of the measure where neither a column nor a heading says it. */
    public function defaultName(): string
    {
        return $this->block ?? $this->plan->stated->measureName;
    }

    public function nameOfColumn(int $column): string
    {
        return $this->headings->measure($column) ?? $this->defaultName();
    }

    /** @param list<string> $row */
    public function unit(array $row): string
    {
        $column = $this->plan->columns->unit;
        $text = $column === null ? '' : $row[$column] ?? '';

        return $this->units[$text] ??= Vocabulary::unit(FormulaGuard::unguard(trim($text)));
    }

    /**
     * The measure of a column of values in a row.
     *
     * @param list<string> $row
     */
    public function ofCell(int $number, int $column, array $row): ?int
    {
        $own = $this->plan->columns->measure;
        $name = $own === null ? $this->nameOfColumn($column) : $row[$own] ?? '';

        return $this->qualified($number, $name, $row, $this->plan->stated->columnUnits[$column] ?? '');
    }

    /**
     * The measure of a whole row: the one it names, or the only one.
     *
     * @param list<string> $row
     */
    public function ofRow(int $number, array $row): ?int
    {
        $own = $this->plan->columns->measure;

        return $this->qualified($number, $own === null ? $this->defaultName() : $row[$own] ?? '', $row);
    }

    /** @param list<string> $row */
    private function qualified(int $number, string $name, array $row, string $unitOfColumn = ''): ?int
    {
        $unit = $this->unit($row) ?: $unitOfColumn;
        foreach ($this->plan->columns->qualifiers as $column) {
            $part = trim($row[$column] ?? '');
            $name = $part === '' ? $name : Heading::read(trim($name))->name . ", {$part}";
        }
        // Figures of another unit are of another measure.
        $this->rowUnits[$name] ??= $unit;
        if ($this->rowUnits[$name] !== $unit && $unit !== '') {
            $name .= ", {$unit}";
        }

        return $this->ids[$name] ?? $this->named($number, $name, $unit);
    }

    /** The measure of a name, a new one if need be; null, with a problem noted, if the name is empty. */
    public function named(int $row, string $name, string $unit): ?int
    {
        if (isset($this->ids[$name])) {
            return $this->ids[$name];
        }
        $clean = FormulaGuard::unguard(trim(mb_scrub($name)));
        if ($clean === '') {
            $column = $this->plan->columns->measure;
            $where = $column === null ? 'heading' : $this->headings->text($column);
            $this->problems->cell($row, $where, $name, 'a measure name');

            return null;
        }
        $heading = Heading::read($clean);
        $unit = $unit === '' ? $heading->unit : $unit;
        $read = $this->plan->describe($this->freeName($heading->name, $unit), $unit);
        $stated = $this->plan->stated->measures[$read->name] ?? [];
        // A unit that is above the table is that of its first block.
        $isOfAnother = $this->block !== null && $unit === '' && !isset($stated['unit']);
        $this->all[] = $isOfAnother ? $read->counted('', isset($stated['kind'])) : $read;

        return $this->ids[$name] = count($this->all) - 1;
    }

    public function add(ReadMeasure $measure): void
    {
        $this->all[] = $measure->named($this->freeName($measure->name, $measure->unit));
    }

    /** A name that no other measure of the table has: with its unit, or a number if the heading is not enough. */
    private function freeName(string $name, string $unit): string
    {
        $taken = array_map(static fn(ReadMeasure $m): string => mb_strtolower($m->name), $this->all);
        $free = $name;
        if ($unit !== '' && in_array(mb_strtolower($free), $taken, true)) {
            $free = $name = "{$name}, {$unit}";
        }
        for ($more = 2; in_array(mb_strtolower($free), $taken, true); $more++) {
            $free = "{$name} {$more}";
        }

        return $free;
    }

    /** True if a period that says its own frequency has that of its measure; notes a problem otherwise. */
    public function hasFrequencyOf(int $row, int $measure, string $text): bool
    {
        $frequency = $this->frequencies[$text] ??= Period::parse(strtoupper(trim($text)))->frequency;
        $own = $this->all[$measure]->frequency;
        if ($own !== null && $own !== $frequency) {
            $this->problems->cell(
                $row,
                $this->headings->text((int) $this->plan->columns->period),
                $text,
                "a {$own->value}, like the other periods of {$this->all[$measure]->name}",
            );

            return false;
        }
        if ($own === null) {
            $this->all[$measure] = $this->all[$measure]->of($frequency);
        }

        return true;
    }

    /**
     * True if a unit in a cell is that of the cells before it; the first one becomes the unit of the measure. Notes a
     * problem otherwise.
     */
    public function hasUnitOf(int $row, int $column, string $text, int $measure, string $unit): bool
    {
        if ($unit === '') {
            return true;
        }
        $this->cellUnits[$measure] ??= $unit;
        if ($this->cellUnits[$measure] !== $unit) {
            $expected = "a value in {$this->cellUnits[$measure]}, like those above";
            $this->problems->cell($row, $this->headings->text($column), $text, $expected);

            return false;
        }
        $read = $this->all[$measure];
        $stated = $this->plan->stated->measures[$read->name] ?? [];
        if ($read->unit === '' && !isset($stated['unit'])) {
            $this->all[$measure] = $read->counted($unit, isset($stated['kind']));
        }

        return true;
    }
}
