<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\StoredSeries;

/** Series of a file that are ready to be written. */
final readonly class PreparedSeries
{
    /**
     * @param int $madeOn version of the data set that they were laid over; 0 for a new one
     * @param list<array{int, int, PackedSeries, StoredSeries|null, string}> $series number of the measure and of the
     *     entity in the file, figures, what they take the place of, and the cell
     * @param list<StoredSeries> $gone that end without another in their place
     * @param list<string> $keys that the entities in the file would have, if nobody had them yet
     */
    public function __construct(public int $madeOn, public array $series, public array $gone, public array $keys) {}
}
