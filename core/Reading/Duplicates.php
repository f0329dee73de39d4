<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\MeasureKind;

/** What is done when a file gives the same entity and period twice. */
enum Duplicates: string
{
    case Ask = 'ask';
    case First = 'first';
    case Last = 'last';
    case Sum = 'sum';
    case Mean = 'mean';

    /** As the measure is: what adds up is summed, all else averaged. For times of a day. */
    case ByKind = 'kind';

    /** What is done with the values of a measure of that kind. */
    public function of(MeasureKind $kind): self
    {
        return match (true) {
            $this !== self::ByKind => $this,
            $kind === MeasureKind::Flow => self::Sum,
            default => self::Mean,
        };
    }
}
