<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/**
 * Where the pointer reads a picture: the points of its lines in the picture's own pixels, to a tenth, as data beside
 * the drawing.
 *
 * Each list has an entry for every position from the first one shown; null where a line has no value. The points of a
 * scatter are those of its path in the order of time.
 */
final class Points
{
    /** @return array<string, list<array{float, float}|null>> x and y, by line */
    public static function of(Scene $scene): array
    {
        return self::within($scene->marks, 0.0, 0.0);
    }

    /**
     * The points of the line that each panel is about, in the panel's own pixels.
     *
     * @param list<Scene> $rows
     * @return array<string, list<array{float, float}|null>> by key of the panel
     */
    public static function ofPanels(array $rows): array
    {
        $points = [];
        foreach ($rows as $row) {
            foreach ($row->marks as $mark) {
                foreach ($mark instanceof Placed ? $mark->marks : [] as $panel) {
                    if ($panel instanceof Group && $panel->role === 'panel') {
                        $points[$panel->facts['key']] =
                            self::of(new Scene(0, 0, $panel->marks))[$panel->facts['line']] ?? [];
                    }
                }
            }
        }

        return $points;
    }

    /**
     * @param list<Mark> $marks
     * @return array<string, list<array{float, float}|null>>
     */
    private static function within(array $marks, float $x, float $y): array
    {
        $points = [];
        foreach ($marks as $mark) {
            if ($mark instanceof Placed) {
                $points += self::within($mark->marks, $x + $mark->x, $y + $mark->y);
            } elseif ($mark instanceof Group && $mark->points !== null) {
                $points[$mark->facts['line'] ?? ''] = array_map(
                    static fn(?array $at): ?array => $at === null
                        ? null
                        : [round($at[0] + $x, 1), round($at[1] + $y, 1)],
                    ($mark->points)(),
                );
            } elseif ($mark instanceof Group && $mark->role !== 'beside') {
                $points += self::within($mark->marks, $x, $y);
            }
        }

        return $points;
    }
}
