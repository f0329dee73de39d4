<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

/** Entities under measures. */
final class EntitiesOfMeasures extends PairsAcross
{
    public function name(): string
    {
        return 'entities-of-measures';
    }

    public function label(): string
    {
        return 'measures in one header row, their entities in the next, periods in rows';
    }

    protected function hasMeasuresAbove(): bool
    {
        return true;
    }
}
