<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/**
 * A column whose cells hold several keys, as `A,PC,F,AR` under `freq,unit,sex,geo\TIME_PERIOD`. They are taken apart
 * into columns of their own after the last one, so that every cell keeps the place that it has in the file.
 */
final readonly class Split
{
    /**
     * @param int $column that holds the keys
     * @param int $count how many
     * @param int $at column of the first of them
     * @param non-empty-string $mark between them
     */
    public function __construct(public int $column, public int $count, public int $at, public string $mark = ',') {}

    /** @param array<array-key, mixed> $of as a plan keeps it */
    public static function from(array $of): ?self
    {
        return is_int($of['column'] ?? null) &&
            is_int($of['count'] ?? null) &&
            is_int($of['at'] ?? null) &&
            in_array($of['mark'] ?? null, [',', ';', '|'], true)
            ? new self($of['column'], $of['count'], $of['at'], $of['mark'])
            : null;
    }

    public static function of(Sample $sample, ?int $heading): ?self
    {
        for ($column = 0; $heading !== null && $column < min(3, $sample->width); $column++) {
            $text = $sample->cell($heading, $column);
            if (preg_match('/^[^,;|\\\\]+(?:([,;|])[^,;|\\\\]+)+(?:\\\\.*)?$/', $text, $m) !== 1) {
                continue;
            }
            $parts = count(explode($m[1], $text));
            $cells = array_slice(array_filter($sample->column($column, $heading)), 0, 200);
            $alike = array_filter($cells, static fn(string $cell): bool => substr_count($cell, $m[1]) === $parts - 1);
            // Numbers with a decimal comma are no keys, whatever comma is in the name above them.
            $numbers = preg_grep('/^[-−]?\d+,\d+$/u', array_map(trim(...), $alike)) ?: [];
            if (count($numbers) * 2 > count($alike)) {
                continue;
            }
            if (count($cells) >= 2 && count($alike) >= 0.9 * count($cells)) {
                return new self($column, $parts, $sample->breadth($heading), $m[1]);
            }
        }

        return null;
    }

    public function sample(Sample $sample): Sample
    {
        return new Sample(array_map($this->row(...), $sample->rows), $sample->fileName, $sample->delimiter);
    }

    /**
     * @param list<string> $row
     * @return list<string>
     */
    public function row(array $row): array
    {
        // What is behind the stroke is what runs across.
        $keys = explode($this->mark, (string) preg_replace('/\\\\.*$/', '', trim($row[$this->column] ?? '')));
        if (count($keys) !== $this->count) {
            return $row;
        }
        $row = array_pad(array_slice($row, 0, $this->at), $this->at, '');
        $row[$this->column] = '';

        return [...$row, ...array_map(trim(...), $keys)];
    }
}
