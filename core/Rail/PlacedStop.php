<?php

declare(strict_types=1);

namespace DuskRail\Rail;

/** A stop at its place on the rail. Its id stays when it is changed or moved. */
final readonly class PlacedStop
{
    public function __construct(public string $id, public Stop $stop, public bool $bypassed = false) {}
}
