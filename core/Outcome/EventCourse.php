<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\LineState;
use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\BeforeAfterPart;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodAxis;

/**
 * How those with an event and those without it went, as distances from their means before it: along the calendar where
 * the event was at one time for all, else along the periods since it, as far as all have values.
 */
final class EventCourse
{
    public const WITH = '~with';

    public const WITHOUT = '~without';

    /** @param array{string, string} $names of those with the event, and of those without it */
    public static function of(BeforeAfter $found, array $names): Lineup
    {
        $comparison = $found->comparison;
        $panel = $found->panel;
        $events = array_intersect_key($panel->events, array_flip($panel->fitting($found->spans)));
        $count = $comparison->reference - $comparison->from + 1;
        $before = min([$count, ...$events]);
        $after = $count - 1 - max([0, ...$events]);
        [$with, $without, $each] = $panel->courses($found->spans, $before, $after);
        $axis = $found->isCommon()
            ? $comparison->axis
            : PeriodAxis::of(Frequency::Number, -$before, $before + $after + 1);
        $from = $found->isCommon() ? $comparison->from : 0;
        $to = $from + $before + $after;
        $rest = max(0, $axis->count - $to - 1);

        return new Lineup(
            $comparison,
            $axis,
            $found->unit(),
            [
                self::line($found, $names[0], self::laid($with, $from, $rest), [$from, $to]),
                self::line($found, $names[1], self::laid($without, $from, $rest), [$from, $to], false),
            ],
            $from,
            $to,
            new PeerSummary(
                new PeersPart(
                    line: PeerLine::None,
                    band: Band::from($comparison->study->part(BeforeAfterPart::class)->band),
                ),
                values: array_map(static fn(array $of): array => self::laid($of, $from, $rest), $each),
            ),
            $found->precision->decimals,
        );
    }

    /**
     * @param list<float> $values
     * @return list<float> along the axis
     */
    private static function laid(array $values, int $before, int $after): array
    {
        return [...array_fill(0, $before, NAN), ...$values, ...array_fill(0, $after, NAN)];
    }

    /** Position of the first period since the event, of the axis of the lineup. */
    public static function start(BeforeAfter $found, Lineup $lineup): int
    {
        $first = $lineup->axis instanceof PeriodAxis ? $lineup->axis->first : 0;

        return $found->isCommon() ? $lineup->from + $found->panel->times()[0] : -$first;
    }

    /**
     * @param list<float> $values
     * @param array{int, int} $shown first and last position
     */
    private static function line(
        BeforeAfter $found,
        string $name,
        array $values,
        array $shown,
        bool $isWith = true,
    ): Line {
        $last = Line::lastOf($values, ...$shown);

        return new Line(
            $isWith ? self::WITH : self::WITHOUT,
            $name,
            '',
            $isWith ? LineState::Focus : LineState::Peer,
            $isWith ? $found->hue() : 0,
            $values,
            $last,
            $last,
            // A place among two means says nothing.
            role: LineRole::Benchmark,
        );
    }
}
