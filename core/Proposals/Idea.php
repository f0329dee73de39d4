<?php

declare(strict_types=1);

namespace DuskRail\Proposals;

use DuskRail\Refusal;

/** One thing that may be worth doing next. To add one: write a class, and name it in Proposals. */
interface Idea
{
    /**
     * The stop with its reason, where the values give one; it need not be possible, which is asked afterwards.
     *
     * @throws Refusal where there is nothing to do it with
     */
    public function of(Arriving $at): ?Proposal;
}
