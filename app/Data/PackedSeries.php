<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Casts\PackedDoubles;
use App\Models\Casts\PackedIntegers;
use DuskRail\Reading\ReadSeries;

/** A series as it is stored, packed before anybody is kept waiting. */
final readonly class PackedSeries
{
    private function __construct(public int $first, public Blob $values, public Blob $statuses, public Blob $places) {}

    public static function of(ReadSeries $series): self
    {
        return new self(
            $series->first,
            new Blob(PackedDoubles::packed($series->values)),
            // None at all where all are plainly measured.
            new Blob(array_filter($series->statuses) === [] ? '' : PackedIntegers::packed($series->statuses)),
            new Blob(PackedIntegers::packed($series->places)),
        );
    }
}
