<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\InvalidStudy;

/** What changed about the event of a comparison, calculated once when it is asked for. */
final class Effects
{
    private BeforeAfter|InvalidStudy|null $known = null;

    public function __construct(private readonly Comparison $comparison) {}

    /** @throws InvalidStudy where before and after cannot be compared */
    public function beforeAfter(): BeforeAfter
    {
        if ($this->known === null) {
            try {
                $this->known = BeforeAfter::of($this->comparison);
            } catch (InvalidStudy $problem) {
                $this->known = $problem;
            }
        }

        return $this->known instanceof InvalidStudy ? throw $this->known : $this->known;
    }
}
