<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Names that begin with marks for their level, as `- North`, `-- Alder` or `..Alder`; the marks become spaces. */
final readonly class Indentation
{
    private const MARKS = '/^\s*((?:(?:[-–—•·*>».…]|\+)\s?){1,6})(?=\p{L})/u';

    /** Columns at the left that can be such. */
    private const MOST = 3;

    /** Share of the names that must have marks. */
    private const MARKED = 0.25;

    public function __construct(public int $column) {}

    public static function of(Sample $sample, ?int $heading): ?self
    {
        for ($column = 0; $column < min(self::MOST, $sample->width); $column++) {
            $names = array_values(
                array_filter(
                    array_slice($sample->column($column, $heading), 0, 500),
                    static fn(string $cell): bool => preg_match('/\p{L}/u', $cell) === 1,
                ),
            );
            $marked = preg_grep(self::MARKS, $names) ?: [];
            if (count($marked) > 1 && count($marked) >= self::MARKED * count($names)) {
                return new self($column);
            }
        }

        return null;
    }

    /**
     * @param list<string> $row
     * @return list<string>
     */
    public function row(array $row): array
    {
        if (preg_match(self::MARKS, $row[$this->column] ?? '', $m) === 1) {
            $depth = mb_strlen((string) preg_replace('/\s/u', '', $m[1]));
            $row[$this->column] = str_repeat(' ', $depth) . substr($row[$this->column], strlen($m[0]));
        }

        return array_values($row);
    }
}
