<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Benchmark;
use DuskRail\Data\MeasureKind;

/** Finds entities that stand for all others, since those add up to them or have them for their mean. */
final class Benchmarks
{
    /** Fewer could add up by chance. */
    private const FEWEST = 4;

    private const MOST = 600;

    private const PERIODS = 24;

    /** How far a sum may be off, for the rounding of its parts. */
    private const NEAR = 0.002;

    /** How far a mean may be off, in standard deviations of those whose mean it is. */
    private const NEAR_MEAN = 0.01;

    private const ROWS = 6_000;

    /** Periods in which a sum must be looked for. */
    private const FEWEST_VOTES = 2;

    /** The same of a mean, near which others come by chance. */
    private const FEWEST_VOTES_OF_MEAN = 4;

    /** Share of the periods in which it must be so. */
    private const SHARE_OF_VOTES = 0.9;

    /** @return array<string, string> a value of `Benchmark`, by name */
    public static function among(Observations $read): array
    {
        if (count($read->entities) < self::FEWEST || count($read->entities) > self::MOST) {
            return [];
        }
        $known = array_flip(array_map(strval(...), array_keys($read->metadata->benchmarks)));
        $apart = array_filter($read->entities, static fn(string $name): bool => isset($known[$name]));
        $columns = iterator_to_array(self::columns($read), false);
        $totals = self::elected(
            self::votes(
                array_filter($columns, static fn(array $column): bool => !$column[0]),
                $apart,
                self::sumOfOthers(...),
            ),
            self::FEWEST_VOTES,
        );
        // A total is none of those whose mean it could be taken for.
        $means = self::elected(
            self::votes($columns, $apart + $totals, self::meanOfOthers(...)),
            self::FEWEST_VOTES_OF_MEAN,
        );
        // Of several one alone could be it, and nothing tells which.
        $means = count($means) === 1 ? $means : [];
        $found = [];
        foreach ($totals + $means as $entity => $_) {
            $kind = isset($totals[$entity]) ? Benchmark::Total : Benchmark::Mean;
            $found[$read->entities[$entity]] = $kind->value;
        }

        return $found;
    }

    /**
     * @param array<array{bool, array<int, float>}> $columns
     * @param array<int, mixed> $apart entities that are none of the parts
     * @param callable(non-empty-array<int, float>): array<int, int> $ballot 1 or 0 for entities of a column
     * @return array<int, list<int>> by entity
     */
    private static function votes(array $columns, array $apart, callable $ballot): array
    {
        $votes = [];
        foreach ($columns as [, $column]) {
            $parts = array_diff_key($column, $apart);
            foreach (count($parts) < self::FEWEST ? [] : $ballot($parts) as $entity => $vote) {
                $votes[$entity][] = $vote;
            }
        }

        return $votes;
    }

    /**
     * @param array<int, list<int>> $votes
     * @return array<int, true> entities that nearly all votes are for
     */
    private static function elected(array $votes, int $fewest): array
    {
        $isElected = static fn(array $own): bool => count($own) >= $fewest &&
            array_sum($own) >= self::SHARE_OF_VOTES * count($own);

        return array_map(static fn(): bool => true, array_filter($votes, $isElected));
    }

    /**
     * Only the largest can be a sum of others that are not below zero.
     *
     * @param non-empty-array<int, float> $parts
     * @return array<int, int>
     */
    private static function sumOfOthers(array $parts): array
    {
        if (min($parts) < 0.0) {
            return [];
        }
        $largest = (int) array_search(max($parts), $parts, true);
        $value = $parts[$largest];
        $others = array_sum($parts) - $value;

        return [$largest => $value > 0.0 && abs($others - $value) <= self::NEAR * $value ? 1 : 0];
    }

    /**
     * The mean of the others is the mean of all.
     *
     * @param non-empty-array<int, float> $parts
     * @return array<int, int>
     */
    private static function meanOfOthers(array $parts): array
    {
        $mean = array_sum($parts) / count($parts);
        $squares = array_map(static fn(float $value): float => ($value - $mean) ** 2, $parts);
        $near = self::NEAR_MEAN * sqrt(array_sum($squares) / count($parts));

        $isNear = static fn(float $value): bool => $near > 0.0 && abs($value - $mean) <= $near;

        return array_map(static fn(float $value): int => $isNear($value) ? 1 : 0, $parts);
    }

    /** What is read of the beginning of a table; null where it holds no values. */
    public static function firstRows(Sample $sample, Plan $plan): ?Observations
    {
        if ($plan->columns->values === [] || $plan->shape === 'events') {
            return null;
        }
        $few = array_slice($sample->rows, 0, ($plan->heading ?? 0) + self::ROWS, true);
        try {
            return Reader::read($few, $plan->with(['duplicates' => Duplicates::Last->value]));
        } catch (NotATable) {
            // The reading of the whole table says it.
            return null;
        }
    }

    /**
     * @return iterable<array{bool, array<int, float>}> whether they are ratios, and values by entity, of one
     *     measure, period and combination of categories each
     */
    private static function columns(Observations $read): iterable
    {
        $columns = [];
        foreach ($read->series() as $series) {
            foreach (array_slice($series->values, -self::PERIODS, null, true) as $i => $value) {
                if (!is_nan($value)) {
                    $key = "{$series->measure} {$series->combination} " . ($series->first + $i);
                    $columns[$key][$series->entity] = $value;
                }
            }
        }
        foreach ($columns as $key => $column) {
            yield [$read->measures[(int) explode(' ', $key)[0]]->kind === MeasureKind::Rate, $column];
        }
    }
}
