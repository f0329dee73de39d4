<?php

declare(strict_types=1);

namespace DuskRail\Data;

/** What sort of number a unit belongs to. Only amounts can be divided by people, added up, or taken a share of. */
enum ValueType: string
{
    case Amount = '';
    case Index = 'index';
    case Percent = '%';
    case Points = 'points';
    case Rank = 'rank';
    case Score = 'score';
}
