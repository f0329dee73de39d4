<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\StoredSeries;

/** A file that is ready to be written. */
final readonly class PreparedImport
{
    /**
     * @param int $madeOn version of the data set that it was merged into; 0 for a new one
     * @param list<StoredSeries> $gone that end without another in their place
     */
    public function __construct(
        public int $madeOn,
        public Matching $matching,
        public Staging $staging,
        public array $gone,
    ) {}
}
