<?php

declare(strict_types=1);

namespace DuskRail\Words\Sentences;

use DuskRail\Outcome\Comparison;

/** Looks at a comparison for one kind of thing worth saying. To add one: write a class, and name it in Sentences. */
interface ClaimFinder
{
    /** @return list<Claim> never one that the data do not carry */
    public function claims(Comparison $comparison): array;
}
