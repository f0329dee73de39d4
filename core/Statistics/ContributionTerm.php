<?php

declare(strict_types=1);

namespace DuskRail\Statistics;

/** What a part of a change came about by. */
enum ContributionTerm: string
{
    /** A part of a sum has more or less than before. */
    case Amount = 'amount';

    /** The member's own rate has changed. */
    case Rate = 'rate';

    /** The member counts more or less among all. */
    case Mix = 'mix';

    /** Rate and mix changed together; with the weights of the beginning alone. */
    case Both = 'both';

    /** The member was not there before. */
    case Entry = 'entry';

    /** The member is not there any more. */
    case Exit = 'exit';

    /** The factors of a product, in their order. */
    case First = 'first factor';
    case Second = 'second factor';
    case Third = 'third factor';

    /** True if it is about who is in the whole, and with how much weight. */
    public function isComposition(): bool
    {
        return in_array($this, [self::Mix, self::Both, self::Entry, self::Exit], true);
    }
}
