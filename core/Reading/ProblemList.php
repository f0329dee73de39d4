<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** What could not be read of a table: the first of them in full, and how many there are. */
final class ProblemList
{
    private const KEPT = 200;

    /** @var list<Problem> */
    public array $first = [];

    public int $count = 0;

    public function add(Problem $problem): void
    {
        $this->count++;
        if (count($this->first) < self::KEPT) {
            $this->first[] = $problem;
        }
    }

    /** @param int $row from 0 */
    public function cell(int $row, string $column, string $found, string $expected): void
    {
        $this->add(Problem::cell($row + 1, $column, $found, $expected));
    }
}
