<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Statistics\StraightLine;
use DuskRail\Statistics\Trend;

/** Where a line went over what is shown, as far as it is finished, and whether that is more than chance. */
final readonly class TrendSummary
{
    /**
     * @param float $change from one end to the other, like compared with like; NAN where there are not two
     * @param float $growth compound growth a year in per cent, NAN where it means nothing
     * @param float $slope median slope, for a period of the line
     */
    public function __construct(
        public float $change,
        public float $growth,
        public float $slope,
        public Trend $trend,
        public ?StraightLine $line,
    ) {}
}
