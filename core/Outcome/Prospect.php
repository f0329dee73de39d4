<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

/** Whether a line gets to its target. */
enum Prospect: string
{
    /** By the date, with the whole prediction interval. */
    case OnCourse = 'on course';
    /** The target is within the prediction interval. */
    case Open = 'uncertain';
    /** Not by the date, with the whole prediction interval. */
    case OffCourse = 'off course';
    /** The date is past: it had the target then. */
    case Met = 'met';
    case Missed = 'missed';
    /** The date is further ahead than a line is projected. */
    case TooFar = 'too far ahead';
    /** Without a date: it has the target now, gets there within what is projected, or does not. */
    case Reached = 'reached';
    case InSight = 'in sight';
    case NotInSight = 'not in sight';
    case Untold = 'not told';
}
