<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** A plan for a table, with what it went by. */
final readonly class Guess
{
    /** @param list<string> $evidence */
    public function __construct(public Plan $plan, public array $evidence) {}
}
