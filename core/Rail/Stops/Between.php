<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

/** How a coarse denominator (yearly people) is read in the finer periods between its figures. */
enum Between: string
{
    /** Every fine period takes the figure of the coarse period it lies in. */
    case Carried = 'carried';

    /** A straight line runs between the figures, each taken to hold in the middle of its period. */
    case Straight = 'straight';
}
