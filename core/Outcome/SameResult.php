<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Peers\RankPosition;

/** Who in a scatter comes to the same as the first in focus along one axis, and where it is among them on the other. */
final readonly class SameResult
{
    /**
     * @param list<ScatterPoint> $points from the lowest, the one that the others are like among them
     * @param RankPosition|null $place null where there is nobody else
     */
    private function __construct(public ScatterPoint $subject, public array $points, public ?RankPosition $place) {}

    /** @return self|null null where it is not asked for, or the first in focus has no point */
    public static function of(Scattered $scatter): ?self
    {
        $within = $scatter->vertical->study->part(ScatterPart::class)->likeness->within;
        $first = $scatter->vertical->focus()[0]->key ?? '';
        $subject = null;
        foreach ($scatter->points as $point) {
            $subject = $point->line->key === $first ? $point : $subject;
        }
        if ($within === null || $subject === null) {
            return null;
        }
        $points = array_values(
            array_filter(
                $scatter->points,
                static fn(ScatterPoint $p): bool => abs($p->x - $subject->x) <= $within &&
                    ($p === $subject || $p->line->role === LineRole::Compared),
            ),
        );
        usort($points, static fn(ScatterPoint $a, ScatterPoint $b): int => $a->y <=> $b->y);
        $values = array_map(static fn(ScatterPoint $p): float => $p->y, $points);

        return new self($subject, $points, RankPosition::among($subject->y, $values, [NAN, NAN], false));
    }
}
