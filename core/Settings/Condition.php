<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/** Conditions of the data at hand under which a form shows a field or an option. */
enum Condition
{
    /** Periods are of the calendar. */
    case Calendar;

    /** Values are levels, or have gaps that make them so. */
    case Levels;

    /** Periods are short enough to be laid over each other by weeks. */
    case Days;

    /** Entities have groups. */
    case Groups;

    /** Lines are categories of a breakdown. */
    case Categories;

    /** A peer set is chosen. */
    case PeerSet;

    /** A target is set. */
    case Target;

    /** The measure that is chosen has longer periods than the values. */
    case CoarserMeasure;
}
