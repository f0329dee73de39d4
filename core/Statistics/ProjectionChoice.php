<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** A series carried on by one method, beside how the others erred. */
final readonly class ProjectionChoice
{
    /**
     * @param array<string, float> $errors mean absolute error on values held back, by method, the smallest first; empty
     *     where there were too few values to hold some back
     * @param int $count how many periods were projected and held back
     */
    public function __construct(public Projection $chosen, public array $errors, public int $count) {}
}
