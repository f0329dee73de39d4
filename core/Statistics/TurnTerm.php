<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** A bend, a step or both at once, at one of the values in which turns are looked for. */
final readonly class TurnTerm
{
    /** @param int $at number of the value, of those that are there */
    public function __construct(public int $at, public bool $bends, public bool $steps) {}

    /** @param list<self> $terms */
    public static function sizesOf(array $terms): int
    {
        $sizes = 0;
        foreach ($terms as $term) {
            $sizes += (int) $term->bends + (int) $term->steps;
        }

        return $sizes;
    }
}
