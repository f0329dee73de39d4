<?php

declare(strict_types=1);

namespace DuskRail\Proposals\Ideas;

use DuskRail\Data\Numerals;
use DuskRail\Data\Spacing;
use DuskRail\Proposals\Arriving;
use DuskRail\Proposals\Idea;
use DuskRail\Proposals\Proposal;
use DuskRail\Rail\Stops\ChangeOfPeriod;
use DuskRail\Time\Frequency;

/** Days over years are more points than a chart has room for. */
final class FewerPoints implements Idea
{
    private const MOST = 730;

    public function of(Arriving $at): ?Proposal
    {
        $shown = $at->comparison->to - $at->comparison->from + 1;

        return $at->table->axis->frequency === Frequency::Day &&
            $shown > self::MOST &&
            $at->types === [] &&
            !Spacing::of($at->table)->isIrregular
            ? Proposal::because(
                Numerals::count($shown) . ' days are more points than a chart can show',
                new ChangeOfPeriod(Frequency::Month),
                $at,
            )
            : null;
    }
}
