<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Nature;

/** What several lines come to together. */
enum Whole: string
{
    case Sum = 'sum';
    case Ratio = 'ratio of sums';
    case Mean = 'mean';

    /** Null for values that nothing can be made of together: places, scores, shares that always come to 100 %. */
    public static function of(Nature $nature, bool $isWeighed, bool $hasCommonWeight): ?self
    {
        return match (true) {
            $nature->isRelative(), $nature === Nature::Share => null,
            $nature->addsUp() => self::Sum,
            $hasCommonWeight => self::Sum,
            $isWeighed => self::Ratio,
            default => self::Mean,
        };
    }
}
