<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Statistics\Quantile;
use DuskRail\Statistics\StraightLine;
use DuskRail\Time\Period;

/** What is calculated from the points of a scatter: where its axes are cut, its fits, sizes and paths. */
final class ScatterFits
{
    /**
     * @param list<ScatterPoint> $points
     * @param array<string, float> $sizes
     * @return array{float, float}
     */
    public static function cut(array $points, ScatterPart $part, array $sizes): array
    {
        // Who is not of the peer set cuts nothing.
        $points = array_values(
            array_filter($points, static fn(ScatterPoint $p): bool => $p->line->role !== LineRole::Outside),
        );
        $weights = array_map(static fn(ScatterPoint $p): float => $sizes[$p->line->key] ?? 0.0, $points);

        return [
            self::middle(
                array_map(static fn(ScatterPoint $p): float => $p->x, $points),
                $weights,
                $part->line,
                $part->lineX,
            ),
            self::middle(
                array_map(static fn(ScatterPoint $p): float => $p->y, $points),
                $weights,
                $part->line,
                $part->lineY,
            ),
        ];
    }

    /**
     * @param list<float> $values
     * @param list<float> $weights
     */
    private static function middle(array $values, array $weights, string $by, ?float $value): float
    {
        if ($values === []) {
            return NAN;
        }
        $mean = array_sum($values) / count($values);

        return match ($by) {
            'mean' => $mean,
            'median' => Quantile::of($values, 0.5),
            'weighted' => array_sum($weights) > 0.0
                ? array_sum(array_map(static fn(float $v, float $w): float => $v * $w, $values, $weights)) /
                    array_sum($weights)
                : $mean,
            'value' => $value ?? NAN,
            default => NAN,
        };
    }

    /**
     * Through those that are compared: nobody outside of the peer set, and no total, bends a line.
     *
     * @param list<ScatterPoint> $points
     * @return array<string, StraightLine>
     */
    public static function fits(array $points): array
    {
        $groups = [];
        foreach ($points as $point) {
            if ($point->line->role === LineRole::Compared) {
                $groups[$point->line->group][] = $point;
            }
        }
        ksort($groups);
        $fits = [];
        foreach ($groups as $group => $members) {
            $fit = StraightLine::through(
                array_map(static fn(ScatterPoint $p): float => $p->x, $members),
                array_map(static fn(ScatterPoint $p): float => $p->y, $members),
            );
            if ($fit !== null && count($members) > 2) {
                $fits[(string) $group] = $fit;
            }
        }

        return $fits;
    }

    /** @return array<string, float> by entity key, relative to the largest */
    public static function sizes(Comparison $vertical, ScatterPart $part): array
    {
        if ($part->size === '' || !isset($vertical->data->measures()[$part->size])) {
            return [];
        }
        $sizes = [];
        foreach ($vertical->data->table($part->size)->series as $key => $series) {
            $last = $series->lastPosition();
            if ($last !== null && $series->values[$last] > 0.0) {
                $sizes[$key] = $series->values[$last];
            }
        }
        $most = $sizes === [] ? 1.0 : max($sizes);

        return array_map(static fn(float $size): float => $size / $most, $sizes);
    }

    /**
     * The pairs of values in the order of time; of a coarser measure the value of the period that holds.
     *
     * @return list<array{float, float, int, int}> x, y, and the positions of y and x on their axes
     */
    public static function path(Comparison $vertical, Comparison $horizontal, Line $line, Line $other): array
    {
        $path = [];
        $same = $vertical->axis->frequency === $horizontal->axis->frequency;
        $finer = $horizontal->axis->frequency->isFinerThan($vertical->axis->frequency);
        for ($i = $vertical->from; $i <= $vertical->reference; $i++) {
            $period = $vertical->axis->period($i);
            // Of a finer measure what it was at the end of the period.
            $ordinal = match (true) {
                $same => $period->ordinal,
                $finer => Period::holding($horizontal->axis->frequency, $period->lastDay())->ordinal,
                default => $period->in($horizontal->axis->frequency)->ordinal,
            };
            // An incomplete period of either is beside no finished one of the other.
            $at = $ordinal - $horizontal->axis->first;
            $x = $at > $horizontal->finished() ? NAN : $other->values[$at] ?? NAN;
            if (!is_nan($x) && !is_nan($line->values[$i])) {
                $path[] = [$x, $line->values[$i], $i, $at];
            }
        }

        return $path;
    }

    /**
     * The means of both values over a path: of ratios whose parts are known the ratio of the sums.
     *
     * @param non-empty-list<array{float, float, int, int}> $path
     * @param array<string, list<float>>|null $weightsX by key, along the axis of x; null where there are none
     * @param array<string, list<float>>|null $weightsY along the axis of y
     * @return array{float, float}
     */
    public static function means(string $key, array $path, ?array $weightsX, ?array $weightsY): array
    {
        $means = [];
        foreach ([[0, 3, $weightsX], [1, 2, $weightsY]] as [$value, $position, $weights]) {
            $sum = $of = 0.0;
            foreach ($path as $step) {
                $weight = $weights === null ? 1.0 : $weights[$key][$step[$position]] ?? NAN;
                $sum += $weight * $step[$value];
                $of += $weight;
            }
            $means[] = $of > 0.0 ? $sum / $of : NAN;
        }

        return [$means[0], $means[1]];
    }

    /**
     * The latest position at which at least half of those that ever have both values have them.
     *
     * @param array<string, list<array{float, float, int, int}>> $paths
     */
    public static function newest(array $paths): ?int
    {
        $counts = [];
        $ever = 0;
        foreach ($paths as $path) {
            $ever += $path === [] ? 0 : 1;
            foreach ($path as [, , $position]) {
                $counts[$position] = ($counts[$position] ?? 0) + 1;
            }
        }
        krsort($counts);
        foreach ($counts as $position => $count) {
            if ($count * 2 >= $ever) {
                return $position;
            }
        }

        return null;
    }
}
