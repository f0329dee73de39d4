<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

/** How a coarse denominator (yearly people) is read in the finer periods between its values. */
enum Between: string
{
    /** Every fine period takes the value of the coarse period it is in. */
    case Carried = 'carried';

    /** A straight line runs between the data, each taken to hold in the middle of its period. */
    case Straight = 'straight';
}
