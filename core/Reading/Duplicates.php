<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** What is done when a file gives the same entity and period twice. */
enum Duplicates: string
{
    case Ask = 'ask';
    case First = 'first';
    case Last = 'last';
    case Sum = 'sum';
    case Mean = 'mean';
}
