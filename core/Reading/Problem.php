<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** One thing in a file that could not be read, and where it is. */
final readonly class Problem
{
    private function __construct(
        public int $row,
        public string $column,
        public string $found,
        public string $expected,
        public bool $isDuplicate = false,
    ) {}

    /** @param int $row as a spreadsheet counts: the first line is 1 */
    public static function cell(int $row, string $column, string $found, string $expected): self
    {
        return new self($row, $column, mb_strimwidth(mb_scrub($found), 0, 60, '…'), $expected);
    }

    public static function duplicate(int $row, string $column, string $found, string $expected): self
    {
        return new self($row, $column, mb_strimwidth(mb_scrub($found), 0, 60, '…'), $expected, true);
    }
}
