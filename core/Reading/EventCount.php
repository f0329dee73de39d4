<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** How rows that are events become values. */
final readonly class EventCount
{
    /**
     * @param array<int, EventSummary> $aggregations how the cells of a column are made into one value, by column
     * @param bool $counted whether the rows themselves are counted
     */
    public function __construct(public array $aggregations = [], public bool $counted = true) {}
}
