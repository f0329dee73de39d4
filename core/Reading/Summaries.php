<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\MeasureKind;

/** Finds entities that stand for all others, since those add up to them or have them for their mean. */
final class Summaries
{
    /** Fewer could add up by chance. */
    private const FEWEST = 4;

    private const MOST = 600;

    private const PERIODS = 24;

    /** How far a sum or a mean may be off, for the rounding of its parts. */
    private const NEAR = 0.002;

    private const ROWS = 6_000;

    /** Periods in which it must be looked for. */
    private const FEWEST_VOTES = 2;

    /** Share of the periods in which the largest is the sum of the others. */
    private const SHARE_OF_VOTES = 0.9;

    /** @return array<string, 'total'|'mean'> by name */
    public static function addingUp(Sample $sample, Plan $plan): array
    {
        $read = $plan->columns->values === [] || $plan->shape === 'events' ? null : self::firstRows($sample, $plan);
        if ($read === null || count($read->entities) < self::FEWEST || count($read->entities) > self::MOST) {
            return [];
        }
        $known = array_flip(array_map(strval(...), array_keys($read->metadata->summaries)));
        $votes = [];
        foreach (self::columns($read) as [$isRate, $column]) {
            $parts = array_filter(
                $column,
                static fn(int $entity): bool => !isset($known[$read->entities[$entity]]),
                ARRAY_FILTER_USE_KEY,
            );
            // Only the largest can be a sum of others that are not below nothing.
            if (count($parts) < self::FEWEST || min($parts) < 0.0) {
                continue;
            }
            $largest = (int) array_search(max($parts), $parts, true);
            $value = $parts[$largest];
            $others = array_sum($parts) - $value;
            $isSum = !$isRate && $value > 0.0 && abs($others - $value) <= self::NEAR * $value;
            $votes[$largest][] = $isSum ? 1 : 0;
        }
        $found = [];
        foreach ($votes as $entity => $own) {
            if (count($own) >= self::FEWEST_VOTES && array_sum($own) >= self::SHARE_OF_VOTES * count($own)) {
                $found[$read->entities[$entity]] = 'total';
            }
        }

        return $found;
    }

    private static function firstRows(Sample $sample, Plan $plan): ?Observations
    {
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
