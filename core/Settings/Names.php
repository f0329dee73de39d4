<?php

declare(strict_types=1);

namespace DuskRail\Settings;

/** The lists of names that a form can offer. What is in them, an Offer says. */
enum Names: string
{
    case Entities = 'entities';
    case Measures = 'measures';

    /** Measures that values can be divided by. */
    case Denominators = 'denominators';

    /** Measures by which price change can be taken out. */
    case PriceIndices = 'price indices';

    /** Measures that say how large an entity is. */
    case Sizes = 'sizes';
    case Groups = 'groups';
    case PeerSets = 'peer sets';
    case Attributes = 'attributes';

    /** Groups, peer sets, values of attributes, and attributes that hold dates: whoever something can be true of. */
    case MemberSets = 'groups, peer sets and attributes';
    case Lines = 'lines';

    /** Periods that are longer than those of the values. */
    case LongerPeriods = 'longer periods';
    case Locales = 'locales';
}
