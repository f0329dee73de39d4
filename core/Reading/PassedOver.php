<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\PeriodReading;

/** Columns of a table that hold nothing of their own: numbers of rows, and what another column says. */
final readonly class PassedOver
{
    public function __construct(private Table $table) {}

    /** Whether it is a first column without a heading that only counts the rows. */
    public function isRowNumber(int $column): bool
    {
        if (
            $column > 0 || $this->table->heading === null || $this->table->sample->cell($this->table->heading, 0) !== ''
        ) {
            return false;
        }
        $cells = $this->table->cells(0);
        $whole = array_filter($cells, static fn(string $c): bool => preg_match('/^\d{1,7}$/', $c) === 1);

        return count($cells) > 2 &&
            count($whole) === count($cells) &&
            count($this->table->different(0)) === count($cells) &&
            PeriodReading::detect($this->table->different(0)) === null &&
            $this->table->sample->breadth($this->table->heading) > 2;
    }

    /** @param list<int> $before */
    public function twin(int $column, array $before): ?int
    {
        foreach ($this->table->sample->cell($this->table->heading ?? -1, $column) === '' ? [] : $before as $other) {
            $isNamedAlike = $this->table->name($other) === $this->table->name($column);
            if ($isNamedAlike && $this->table->cells($other) === $this->table->cells($column)) {
                return $other;
            }
        }

        return null;
    }

    /** Whether a first column without a heading says what another one with a heading says again. */
    public function isSaidAgain(int $column): bool
    {
        if (
            $column > 0 || $this->table->heading === null || $this->table->sample->cell($this->table->heading, 0) !== ''
        ) {
            return false;
        }
        for ($other = 1, $count = $this->table->sample->breadth($this->table->heading); $other < $count; $other++) {
            if ($this->table->different(0) !== [] && $this->table->cells($other) === $this->table->cells(0)) {
                return true;
            }
        }

        return false;
    }
}
