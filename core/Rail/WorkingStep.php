<?php

declare(strict_types=1);

namespace DuskRail\Rail;

/** One line of a working. */
final readonly class WorkingStep
{
    /**
     * @param list<array{period: string, value: string, position: int}> $inputs the values that went in, when there
     *     are several
     * @param list<string> $cells where the observations of other measures were read
     */
    public function __construct(
        public string $stop,
        public string $period,
        public string $equation,
        public string $result,
        public array $inputs,
        public array $cells = [],
    ) {}
}
