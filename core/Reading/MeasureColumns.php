<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Benchmark;
use DuskRail\Data\MeasureKind;

/** Whether columns of a table are measures side by side, or one measure of several entities. */
final readonly class MeasureColumns
{
    public function __construct(private Table $table) {}

    /**
     * @param list<int> $among
     * @return int|null a column whose heading says that it names entities: texts before whole numbers
     */
    public function entityNamed(array $among): ?int
    {
        $texts = array_values(array_filter($among, fn(int $column): bool => !$this->table->isNumeric($column)));
        $codes = array_values(
            array_filter(
                array_diff($among, $texts),
                fn(int $column): bool => preg_match('/^(area|land)\b|\s/i', $this->table->words($column)) !== 1 &&
                    array_filter(
                        $this->table->different($column),
                        static fn(string $c): bool => !ctype_digit($c),
                    ) === [],
            ),
        );

        $named = $this->table->named([...$texts, ...$codes], Vocabulary::ENTITY);
        if ($named === null) {
            return null;
        }
        foreach (array_diff($texts, [$named]) as $column) {
            // Each utility is in one region: the region is what they are grouped by.
            if (
                preg_match(Vocabulary::ENTITY, $this->table->words($column)) === 1 &&
                count($this->table->different($column)) > count($this->table->different($named)) &&
                $this->table->follows($named, $column)
            ) {
                $named = $column;
            }
        }

        return $named;
    }

    /**
     * Whether the headings of columns are of measures of one thing rather than of things that are compared: they are
     * words of what is measured, have units of their own, or values of quite another size.
     *
     * @param list<int> $columns
     */
    public function areMeasures(array $columns): bool
    {
        if (count($columns) < 2 || $this->haveBenchmark($columns)) {
            return false;
        }
        $known = $units = $sizes = $words = [];
        foreach ($columns as $column) {
            $heading = Heading::read($this->table->words($column));
            [, $why] = MeasureKind::guessed((string) preg_replace('/[._]/', ' ', $heading->name), $heading->unit);
            $known[] = str_starts_with($why, 'by ');
            $words[$why] = true;
            $units[$heading->unit] = true;
            $sizes[] = $this->size($column);
        }
        $sizes = array_filter($sizes, static fn(float $size): bool => $size > 0.0);

        // One word in all of them tells none apart.
        return (count($words) > 1 && count(array_filter($known)) >= 0.5 * count($columns)) ||
            count($units) > 1 ||
            ($sizes !== [] && max($sizes) > 10_000.0 * min($sizes));
    }

    /**
     * Whether one of the columns is of a mean, a median or a quartile of the others, as `National average`: then they
     * are of entities, unless another is called as what is measured.
     *
     * @param list<int> $columns
     */
    public function haveBenchmark(array $columns): bool
    {
        $benchmarks = array_filter($columns, function (int $column): bool {
            $kind = Vocabulary::benchmark(Heading::read($this->table->words($column))->name);

            return in_array($kind, [Benchmark::Mean, Benchmark::Median, Benchmark::Quartile], true);
        });
        $others = array_filter(array_diff($columns, $benchmarks), function (int $column): bool {
            $heading = Heading::read($this->table->words($column));

            return str_starts_with(MeasureKind::guessed($heading->name, $heading->unit)[1], 'by ');
        });

        return $benchmarks !== [] && $others === [];
    }

    /** How large the data of a column are: their median without signs. */
    public function size(int $column): float
    {
        $notation = $this->table->numbers([$column]);
        $values = [];
        foreach (array_slice($this->table->different($column), 0, 400) as $cell) {
            $value = Figure::read($notation, $cell)->value ?? NAN;
            if (!is_nan($value)) {
                $values[] = abs($value);
            }
        }
        sort($values);

        return $values[intdiv(count($values), 2)] ?? 0.0;
    }
}
