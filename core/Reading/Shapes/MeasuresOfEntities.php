<?php

declare(strict_types=1);

namespace DuskRail\Reading\Shapes;

/** Measures under entities. */
final class MeasuresOfEntities extends PairsAcross
{
    public function name(): string
    {
        return 'measures-of-entities';
    }

    public function label(): string
    {
        return 'entities in one header row, their measures in the next, periods in rows';
    }

    protected function hasMeasuresAbove(): bool
    {
        return false;
    }
}
