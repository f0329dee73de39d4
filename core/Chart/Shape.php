<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** The shapes that a point can be marked with. */
final class Shape
{
    /** @return list<Mark> nothing for a shape of no name */
    public static function at(string $shape, float $x, float $y, float $radius, Ink $ink): array
    {
        // A square or a triangle looks as large as a dot when it covers as much.
        $half = 0.89 * $radius;
        $wide = 1.35 * $radius;

        return match ($shape) {
            'dot', 'dots' => [new Dot($x, $y, $radius, $ink)],
            'square', 'squares' => [new Box($x - $half, $y - $half, 2 * $half, 2 * $half, $ink)],
            'diamond', 'diamonds' => [
                new Area([[$x, $y - $wide, $x + $wide, $y, $x, $y + $wide, $x - $wide, $y]], $ink, 1.0),
            ],
            'triangle', 'triangles' => [
                new Area(
                    [[$x, $y - $wide, $x + 1.15 * $wide, $y + 0.66 * $wide, $x - 1.15 * $wide, $y + 0.66 * $wide]],
                    $ink,
                    1.0,
                ),
            ],
            'wedge' => [
                new Area(
                    [[$x, $y + $wide, $x + 1.15 * $wide, $y - 0.66 * $wide, $x - 1.15 * $wide, $y - 0.66 * $wide]],
                    $ink,
                    1.0,
                ),
            ],
            'ring', 'rings' => [new Dot($x, $y, 1.1 * $radius, $ink), new Dot($x, $y, 0.6 * $radius, Ink::Sheet)],
            default => [],
        };
    }
}
