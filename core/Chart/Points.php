<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/**
 * Where the pointer reads a picture: the points of its lines in tenths of the picture's own pixels, as data beside the
 * drawing. Whole numbers are written several times faster than others.
 *
 * Of each line two lists, of x and of y, have an entry for every position from the first one shown; y is null where a
 * line has no value. The points of a scatter are those of its path in the order of time.
 */
final class Points
{
    /** @return array<string, array{list<int>, list<int|null>}> x and y, by line */
    public static function of(Scene $scene): array
    {
        return self::within($scene->marks, 0.0, 0.0);
    }

    /**
     * The points of the line that each panel is about, in the panel's own pixels.
     *
     * @param list<Scene> $rows
     * @return array<string, array{list<int>, list<int|null>}> by key of the panel
     */
    public static function ofPanels(array $rows): array
    {
        $points = [];
        foreach ($rows as $row) {
            foreach ($row->marks as $mark) {
                foreach ($mark instanceof Placed ? $mark->marks : [] as $panel) {
                    if ($panel instanceof Group && $panel->role === 'panel') {
                        $points[$panel->facts['key']] = self::of(new Scene(0, 0, $panel->marks))[
                            $panel->facts['line']
                        ] ?? [[], []];
                    }
                }
            }
        }

        return $points;
    }

    /**
     * The same for a page: what lines share of x is told once.
     *
     * @param array<string, array{list<int>, list<int|null>}> $points
     * @return array{x: list<list<int>>, y: array<string, array{int, list<int|null>}>} of each line the number of
     *     its list of x, and its y
     */
    public static function forPage(array $points): array
    {
        $lists = $lines = [];
        foreach ($points as $key => [$x, $y]) {
            $number = array_search($x, array_slice($lists, -1, null, true), true);
            if ($number === false) {
                $number = count($lists);
                $lists[] = $x;
            }
            $lines[$key] = [$number, $y];
        }

        return ['x' => $lists, 'y' => $lines];
    }

    /**
     * @param list<Mark> $marks
     * @return array<string, array{list<int>, list<int|null>}>
     */
    private static function within(array $marks, float $left, float $top): array
    {
        $points = $placed = [];
        $lastX = null;
        foreach ($marks as $mark) {
            if ($mark instanceof Placed) {
                $points += self::within($mark->marks, $left + $mark->x, $top + $mark->y);
            } elseif ($mark instanceof Group && $mark->points !== null) {
                [$x, $y] = ($mark->points)();
                // Most lines have the x of the one before.
                [$lastX, $placed] = $x === $lastX ? [$lastX, $placed] : [$x, self::tenths($x, $left)];
                $points[$mark->facts['line'] ?? ''] = [$placed, self::tenths($y, $top)];
            } elseif ($mark instanceof Group && $mark->role !== 'beside') {
                $points += self::within($mark->marks, $left, $top);
            }
        }

        return $points;
    }

    /**
     * @param list<float|null> $places in pixels
     * @return ($places is list<float> ? list<int> : list<int|null>)
     */
    private static function tenths(array $places, float $from): array
    {
        $tenths = [];
        // Cut above zero, and so rounded: floor() for each would take as long as all the rest.
        $above = 1_000_000.5 + 10.0 * $from;
        foreach ($places as $place) {
            $tenths[] = $place === null ? null : (int) ($place * 10.0 + $above) - 1_000_000;
        }

        return $tenths;
    }
}
