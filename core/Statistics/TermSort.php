<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** What a broken line is made of. */
enum TermSort
{
    case Level;
    case Slope;
    case Bend;
    case Step;
    /** A course of its own, of which nothing is known between the values. */
    case Beside;

    /** What one of it is at a place: a bend rises by 1 a period beyond its own place, a step is 1 from there on. */
    public function at(float $x, float $place): float
    {
        return match ($this) {
            self::Level => 1.0,
            self::Slope => $x,
            self::Bend => $x > $place ? $x - $place : 0.0,
            self::Step => $x < $place ? 0.0 : 1.0,
            self::Beside => 0.0,
        };
    }

    /** By how much it rises in a period just after a place. */
    public function slope(float $x, float $place): float
    {
        return match ($this) {
            self::Slope => 1.0,
            self::Bend => $x < $place ? 0.0 : 1.0,
            default => 0.0,
        };
    }
}
