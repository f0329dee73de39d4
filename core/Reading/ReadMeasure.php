<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Better;
use DuskRail\Data\Kind;

/** A measure as found in a file. */
final readonly class ReadMeasure
{
    public function __construct(public string $name, public string $unit, public Kind $kind, public Better $better) {}
}
