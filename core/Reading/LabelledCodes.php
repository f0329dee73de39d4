<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/**
 * Tables that write a code and its label in one cell, as SDMX-CSV does with `labels=both` (SDMX-CSV field guide 2.0):
 * `REF_AREA: Area` over `FR: France`. Labels are kept, and of columns that are known by their codes the codes.
 */
final readonly class LabelledCodes
{
    private const HEADING = '/^([A-Z][A-Z0-9_]*): (\S.*)$/u';

    private const CELL = '/^([\p{L}\d_.@$-]+): (\S.*)$/u';

    /** Share of the headings that are a code and its label. */
    private const SHARE = 0.6;

    /** @param array<int, bool> $codes columns of such headings, and whether the code is kept */
    private function __construct(private array $codes) {}

    /**
     * @param list<string> $headings of a table
     * @return self|null null where it is no such table
     */
    public static function in(array $headings): ?self
    {
        $codes = [];
        foreach ($headings as $column => $heading) {
            if (preg_match(self::HEADING, trim($heading), $m) === 1) {
                $codes[$column] = self::isTechnical($m[1]);
            }
        }

        return count($codes) > 2 && count($codes) >= self::SHARE * count($headings) ? new self($codes) : null;
    }

    /** Whether a column is known by its code: its cells are read as codes. */
    private static function isTechnical(string $code): bool
    {
        $words = Vocabulary::words($code);

        return preg_match('/^(TIME PERIOD|OBS VALUE)$/', $words) === 1 ||
            preg_match(Vocabulary::MULTIPLIER, $words) === 1 ||
            preg_match(Vocabulary::STATUS, $words) === 1 ||
            preg_match(Vocabulary::ASIDE, $words) === 1;
    }

    /**
     * @param list<string> $row
     * @return list<string> with the code or the label alone in each cell that has both
     */
    public function row(int $number, array $row): array
    {
        foreach ($this->codes as $column => $isCode) {
            $pattern = $number === 0 ? self::HEADING : self::CELL;
            if (preg_match($pattern, trim($row[$column] ?? ''), $m) === 1) {
                $row[$column] = $isCode ? $m[1] : $m[2];
            }
        }

        return array_values($row);
    }
}
