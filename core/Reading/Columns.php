<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** Which column of a table is what, counted from 0; null means that there is no such column. */
final readonly class Columns
{
    /**
     * @param list<int> $values that hold figures
     * @param int|null $month where the period column holds the year alone
     * @param int|null $day beside that
     */
    public function __construct(
        public array $values,
        public ?int $entity = null,
        public ?int $period = null,
        public ?int $measure = null,
        public ?int $unit = null,
        public ?int $status = null,
        public ?int $group = null,
        public ?int $month = null,
        public ?int $day = null,
    ) {}
}
