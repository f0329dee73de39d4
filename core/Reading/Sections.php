<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Time\PeriodReading;

/**
 * Rows that hold one text and no value, over those that it is said of: `Male` and `Female` over the same names, or a
 * measure over each part of a table. The text becomes a column of its own after the last one.
 */
final readonly class Sections
{
    /** Rows that a table is judged by. */
    private const JUDGED = 2000;

    private const SECTION = 'Section';

    private const GROUP = 'Group';

    private const MEASURE = 'Measure';

    /**
     * @param int $at column that the texts are put into
     * @param string $name its heading
     */
    public function __construct(public int $at, public string $name) {}

    /** @param array<array-key, mixed> $of as a plan keeps it */
    public static function from(array $of): ?self
    {
        return is_int($of['at'] ?? null) && $of['at'] < Observations::COLUMNS && is_string($of['name'] ?? null)
            ? new self($of['at'], $of['name'])
            : null;
    }

    public static function of(Sample $sample, ?int $heading): ?self
    {
        if ($heading === null) {
            return null;
        }
        $rows = array_slice($sample->rows, $heading + 1, self::JUDGED);
        $title = null;
        $names = $parts = [];
        foreach ($rows as $row) {
            $hasMore = trim(implode('', array_slice($row, 1))) !== '';
            if (self::isTitle($row)) {
                $title = trim($row[0]);
            } elseif ($hasMore && ($title === null || trim($row[0] ?? '') === '' || $row === $sample->rows[$heading])) {
                // The headings again under each title are a table in blocks, which is read as such.
                return null;
            } elseif ($hasMore) {
                $parts[$title] = true;
                $names[] = trim($row[0]);
            }
        }
        if (count($parts) < 2) {
            return null;
        }

        return new self($sample->breadth($heading), self::named($parts, $names));
    }

    /**
     * Names that come again under each text are of the same entities, and the texts are measures; where they do not,
     * the texts are groups of them, or what they are of.
     *
     * @param non-empty-array<string, true> $parts
     * @param list<string> $names
     */
    private static function named(array $parts, array $names): string
    {
        $comeAgain = count($names) - count(array_unique($names));
        $times = PeriodReading::detect($names) ?? PeriodReading::undated(array_values(array_unique($names)));
        $areCategories = array_filter(
            array_keys($parts),
            static fn(string $text): bool => Vocabulary::isTotal($text) ||
                preg_match(Vocabulary::CATEGORY, $text) === 1,
        );

        return match (true) {
            $times !== null || $areCategories !== [] => self::SECTION,
            $comeAgain * 2 >= count($names) => self::MEASURE,
            default => self::GROUP,
        };
    }

    /**
     * True if a row holds one text, in its first column, and nothing else.
     *
     * @param list<string> $row
     */
    public static function isTitle(array $row): bool
    {
        return preg_match('/\p{L}/u', $row[0] ?? '') === 1 &&
            trim(implode('', array_slice($row, 1))) === '' &&
            preg_match(Vocabulary::REMARK, trim($row[0])) !== 1;
    }

    /**
     * @param iterable<int, list<string>> $rows by number
     * @return iterable<int, list<string>> with the text over each row in the new column
     */
    public function rows(iterable $rows, ?int $heading): iterable
    {
        $title = '';
        foreach ($rows as $number => $row) {
            $isData = $number > ($heading ?? -1);
            $title = $isData && self::isTitle($row) ? trim($row[0]) : $title;
            if ($number === $heading || ($isData && !self::isTitle($row))) {
                $row = array_pad(array_slice($row, 0, $this->at), $this->at, '');
                $row[] = $number === $heading ? $this->name : $title;
            }
            yield $number => $row;
        }
    }
}
