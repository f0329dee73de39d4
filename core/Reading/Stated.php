<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** What a table does not say itself, and is said for it. */
final readonly class Stated
{
    /**
     * @param string $measureName name of the one measure, where no column or heading names it
     * @param string $entityName name of the one entity, where no column or heading names it
     * @param string $moment period that a table without periods is of; nothing for none
     */
    public function __construct(public string $measureName, public string $entityName, public string $moment = '') {}
}
