<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** What a line is beside those that are compared. */
enum LineRole
{
    /** One of them. */
    case Compared;

    /** It stands for others together, and is compared with nobody. */
    case Summary;

    /** An entity that is not of the peer set that was chosen. */
    case Outside;
}
