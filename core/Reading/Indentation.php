<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Names that begin with marks for their level, as `- North`, `-- Alder` or `..Alder`; the marks become spaces. */
final readonly class Indentation
{
    private const MARKS = '/^\s*((?:[-–—•·*>».…]\s?){1,6})(?=\p{L})/u';

    /** Marks that are of a level alone, as two of them or one before a space. */
    private const PLAIN = '/^\s*(?:[-–—•·*>».…]\s|(?:[-–—•·*>».…]\s?){2})/u';

    /** Columns at the left that can be such. */
    private const MOST = 3;

    /** Share of the names that must have marks. */
    private const MARKED = 0.25;

    public function __construct(public int $column) {}

    public static function of(Sample $sample, ?int $heading): ?self
    {
        // What this program has written has no such marks.
        $most = isset($sample->notes()['periods']) ? 0 : min(self::MOST, $sample->width);
        for ($column = 0; $column < $most; $column++) {
            $names = array_values(
                array_filter(
                    array_slice($sample->column($column, $heading), 0, 500),
                    static fn(string $cell): bool => preg_match('/\p{L}/u', $cell) === 1,
                ),
            );
            $marked = preg_grep(self::MARKS, $names) ?: [];
            // The first is over all, and has none.
            $isOver = $marked !== [] && !isset($marked[0]) && preg_grep(self::PLAIN, $marked) !== [];
            if ($isOver && count($marked) > 1 && count($marked) >= self::MARKED * count($names)) {
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
