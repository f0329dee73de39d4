<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** What a line is beside those that are compared. */
enum LineRole
{
    /** One of them. */
    case Compared;

    /** Others are measured by it, as by a national mean or a target; it is nobody's peer. */
    case Benchmark;

    /** An entity that is not of the peer set that was chosen. */
    case Outside;
}
