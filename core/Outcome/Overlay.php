<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\LineState;
use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\OverlayPart;
use DuskRail\Document\Parts\PeerLine;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Study;
use DuskRail\Peers\PeerFigures;
use DuskRail\Time\CycleAxis;
use DuskRail\Time\Frequency;
use DuskRail\Time\UnknownPeriod;

/**
 * Years (or months, or weeks) of one series merged into each other: the latest solid, the one before dashed, older ones
 * quiet.
 */
final class Overlay
{
    /**
     * @param Line $subject the series whose turns are merged into each other
     * @param bool $amongMany whether this is one of many panels, in which it takes colour only when it is in focus
     *
     * @throws UnknownPeriod when its periods have no places in the cycle
     */
    public static function of(Comparison $comparison, Line $subject, bool $amongMany = false): Lineup
    {
        $part = $comparison->study->part(OverlayPart::class);
        $axis = CycleAxis::of($part->cycle, $comparison->axis->frequency, $part->start);
        [$turns, $finished] = self::turns($comparison, $subject, $axis);
        $newest = $amongMany ? self::newest($comparison, $axis) : array_key_first($turns);
        $lines = $earlier = [];
        foreach ($turns as $turn => $values) {
            $line = self::line(
                $comparison->study,
                $axis,
                $turn,
                (int) $newest,
                $values,
                $amongMany ? $subject->hue : max(1, $subject->hue),
            );
            $lines[] = $line = $line->until($line->last, $finished[$turn] ?? null);
            if ($turn !== $newest && $line->state !== LineState::Off) {
                $earlier[$turn] = self::carried($line);
            }
        }
        $band = $part->band && count($earlier) > 1;

        return new Lineup(
            $comparison,
            $axis,
            $comparison->run->table()->unit,
            $lines,
            0,
            $axis->count - 1,
            new PeerSummary(
                new PeersPart(line: $band ? PeerLine::Median : PeerLine::None, band: $band ? Band::Range : Band::None),
                $band ? PeerFigures::quantile($earlier, 0.5) : [],
                self::summaryName($axis, array_keys($earlier)),
                $band ? array_values($earlier) : [],
                !$band,
            ),
            $comparison->decimals,
        );
    }

    /**
     * @return array{array<int, list<float>>, array<int, int>} values of each turn that has any, the latest first, and
     *     the last place that is complete
     */
    private static function turns(Comparison $comparison, Line $subject, CycleAxis $axis): array
    {
        $turns = $finished = [];
        for ($i = $comparison->from; $i <= $comparison->to; $i++) {
            [$turn, $place] = $axis->place($comparison->axis->period($i));
            $turns[$turn] ??= array_fill(0, $axis->count, NAN);
            $turns[$turn][$place] = $subject->values[$i];
            if ($i <= $comparison->reference && !is_nan($subject->values[$i])) {
                $finished[$turn] = max($place, $finished[$turn] ?? 0);
            }
        }
        krsort($turns);
        $turns = array_map(array_values(...), $turns);

        return [
            array_filter($turns, static fn(array $own): bool => Line::lastOf($own, 0, $axis->count - 1) !== null),
            $finished,
        ];
    }

    /** The latest turn that any line has a value in: of many panels it is the same in each. */
    public static function newest(Comparison $comparison, CycleAxis $axis): int
    {
        $last = max([0, ...array_map(static fn(Line $l): int => (int) $l->last, $comparison->present())]);

        return $axis->place($comparison->axis->period($last))[0];
    }

    /**
     * The values of a turn, with that of the day before on a day that it does not have, so that the median of a day of
     * leap years is of as many years as that of its neighbours.
     *
     * @return list<float>
     */
    private static function carried(Line $line): array
    {
        $values = $line->values;
        foreach (array_keys($line->absent) as $place) {
            $values[$place] = $place > 0 ? $values[$place - 1] : NAN;
        }

        return array_values($values);
    }

    /** @param list<int> $turns */
    private static function summaryName(CycleAxis $axis, array $turns): string
    {
        return $turns === [] ? '' : "Median {$axis->turnLabel(min($turns))} – {$axis->turnLabel(max($turns))}";
    }

    /**
     * Where the latest turn is: its last value, against the turn before and against all earlier ones; of those that
     * were chosen, the latest against all others.
     */
    public static function distance(Lineup $lineup): string
    {
        $isLatest = $lineup->comparison->study->part(OverlayPart::class)->coloured === 'latest';
        [$newest, $before] = $isLatest
            ? [$lineup->lines[0] ?? null, $lineup->lines[1] ?? null]
            : [$lineup->focus()[0] ?? null, null];
        if ($newest?->current === null) {
            return '';
        }
        $at = $newest->current;
        $value = $newest->values[$at];
        $words =
            ($lineup->comparison->axis->frequency === Frequency::Day ? 'on ' : 'in ') .
            $lineup->when($newest, $at) .
            ": {$lineup->format($value)}";
        $then = $before->values[$at] ?? NAN;
        if ($before !== null && !is_nan($then)) {
            $gap = $lineup->precision()->text(abs($value - $then));
            $side = $value < $then ? 'below' : 'above';
            $words .= $value === $then ? ", the same as in {$before->name}" : ", {$gap} {$side} {$before->name}";
        }

        return $words . self::amongOthers($lineup, $newest, $at, $isLatest ? 'earlier ones' : 'others');
    }

    /** How a value of a turn compares with those of the others; nothing where there are few. */
    private static function amongOthers(Lineup $lineup, Line $turn, int $at, string $others): string
    {
        $value = $turn->values[$at];
        $earlier = [];
        foreach ($lineup->lines as $line) {
            if ($line !== $turn && $line->state !== LineState::Off && !is_nan($line->values[$at])) {
                $earlier[] = $line->values[$at];
            }
        }
        $count = count($earlier);
        if ($count < 3) {
            return '';
        }
        [$low, $high] = [min($earlier), max($earlier)];

        return match (true) {
            $value > $high => " and above all {$count} {$others}",
            $value < $low => " and below all {$count} {$others}",
            default => " and within the range of the {$count} {$others}, " .
                "{$lineup->format($low)} to {$lineup->format($high)}",
        };
    }

    /** @param list<float> $values */
    private static function line(Study $study, CycleAxis $axis, int $turn, int $newest, array $values, int $hue): Line
    {
        $key = "y:{$turn}";
        $chosen = $study->focus[$key] ?? 0;
        $isLatest = $study->part(OverlayPart::class)->coloured === 'latest';
        $near = $isLatest && $turn >= $newest - 1;
        $state = match (true) {
            in_array($key, $study->off, true) => LineState::Off,
            $near, $chosen > 0 => LineState::Focus,
            default => LineState::Peer,
        };
        $absent = [];
        for ($place = 0; $place < $axis->count; $place++) {
            if (is_nan($values[$place]) && $axis->period($turn, $place) === null) {
                $absent[$place] = true;
            }
        }

        return new Line(
            $key,
            $axis->turnLabel($turn),
            '',
            $state,
            $state === LineState::Focus ? ($near ? $hue : $chosen) : 0,
            $values,
            Line::lastOf($values, 0, $axis->count - 1),
            null,
            $isLatest && $turn === $newest - 1,
            $absent,
        );
    }
}
