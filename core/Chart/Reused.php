<?php

declare(strict_types=1);

namespace DuskRail\Chart;

/** Marks that a scene shares, in one more place. */
final readonly class Reused implements Mark
{
    public function __construct(public string $id) {}
}
