<?php

declare(strict_types=1);

namespace DuskRail\Study\Sentences;

use DuskRail\Study\Comparison;

/** Looks at a comparison for one kind of thing worth saying. To add one: write a class, and name it in Sentences. */
interface Teller
{
    /** @return list<Claim> never one that the figures do not carry */
    public function claims(Comparison $comparison): array;
}
