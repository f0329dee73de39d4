<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** What the columns of a table do not say themselves, and is said for them. */
final readonly class Stated
{
    /**
     * @param string $measureName name of the one measure, where no column or heading names it
     * @param string $entityName name of the one entity, where no column or heading names it
     * @param string $moment period that a table without periods is of; nothing for none
     * @param string $unit of measures that name none
     * @param string $letter after values that is their unit and no flag
     * @param array<string, array{unit?: string, kind?: string, better?: string, per?: string}> $measures what is known
     *     of a measure, by its name in the file
     * @param array<int, string> $columnUnits units in a row of their own, by column
     * @param string $missing what is written for no value beside the usual marks, as -999
     */
    public function __construct(
        public string $measureName,
        public string $entityName,
        public string $moment = '',
        public string $unit = '',
        public string $letter = '',
        public array $measures = [],
        public array $columnUnits = [],
        public string $missing = '',
    ) {}
}
