<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Rail\Run;

/** Where lines are measures of one entity: the rail calculated on each, and the measures that cannot be lines. */
final readonly class MeasureRuns
{
    /**
     * @param array<string, Run> $runs by line
     * @param array<array-key, LeftOut> $leftOut why a measure cannot be beside the others, by its name
     */
    public function __construct(public array $runs = [], public array $leftOut = []) {}
}
