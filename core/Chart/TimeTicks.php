<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Notation;
use DuskRail\Time\Calendar;
use DuskRail\Time\Cycle;
use DuskRail\Time\CycleAxis;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\Undated;

/**
 * The words along a time axis, as people say them: years under the stretch they cover; where there are few of them,
 * months or days, with the year said once below.
 */
final class TimeTicks
{
    private const ROOM = 16.0;

    /** Pixels that a label may stick out of the plot, and be moved to do so. */
    private const ASIDE = 8.0;

    /**
     * @param int $from first position shown
     * @param float $step pixels from one position to the next
     * @param callable(string): float $width of a label, in pixels
     * @return list<TimeTick>
     */
    public static function along(PeriodAxis|CycleAxis $axis, int $from, int $to, float $step, callable $width): array
    {
        if ($axis instanceof CycleAxis) {
            return self::cycle($axis, $from, $to, $step, $width);
        }
        if ($to <= $from) {
            return $to < $from ? [] : [new TimeTick(null, 0.0, $axis->period($from)->short())];
        }
        $isCounted = Undated::isCounted($axis->period($from));
        if ($axis->frequency === Frequency::Number || $axis->frequency->isYearly() || $isCounted) {
            return self::plain($axis, $from, $to, $step, $width);
        }
        $yearWidth = $width('2024') + 0.7 * self::ROOM;
        $first = $axis->period($from);
        $last = $axis->period($to);
        $pixelsAYear = ($step * ($to - $from + 1)) / max(0.01, ($last->lastDay() - $first->firstDay() + 1) / 365.25);
        if ($pixelsAYear < 4 * ($width('Mar') + self::ROOM) && !Undated::holds($first)) {
            $every = (int) Ticks::step(max(1.0, $yearWidth / $pixelsAYear));

            return self::spans($axis, [$from, $to], $step, Frequency::Year, $every, $width);
        }
        if ($axis->frequency === Frequency::HalfYear || $axis->frequency === Frequency::Quarter) {
            return self::spans($axis, [$from, $to], $step, $axis->frequency, 1, $width);
        }
        $pixelsAMonth = $pixelsAYear / 12;
        if ($axis->frequency === Frequency::Day && $pixelsAMonth > 5 * ($width('28 Mar') + self::ROOM)) {
            return self::days($axis, $from, $to, $step, $width);
        }
        foreach ([1, 3, 6] as $every) {
            if ($pixelsAMonth * $every >= $width('Mar') + self::ROOM) {
                break;
            }
        }

        return self::spans($axis, [$from, $to], $step, Frequency::Month, $every, $width);
    }

    /**
     * Dates at the firsts of months, or every so many places where those have names of their own.
     *
     * @param callable(string): float $width
     * @return list<TimeTick>
     */
    private static function cycle(CycleAxis $axis, int $from, int $to, float $step, callable $width): array
    {
        $widest =
            max(
                $width($axis->placeLabel($from)),
                $width($axis->placeLabel($to)),
                $width($axis->placeLabel(intdiv($from + $to, 2))),
            ) + self::ROOM;
        if ($axis->frequency === Frequency::Day && $axis->cycle === Cycle::Year) {
            $firsts = array_values(
                array_filter(
                    range($from, $to),
                    static fn(int $place): bool => str_starts_with($axis->placeLabel($place), '1 '),
                ),
            );
            $every = 1;
            foreach ([1, 2, 3, 6, 12] as $every) {
                if ($step * 30 * $every >= $widest) {
                    break;
                }
            }
            $firsts = array_values(
                array_filter($firsts, static fn(int $place, int $i): bool => $i % $every === 0, ARRAY_FILTER_USE_BOTH),
            );

            return array_map(
                static fn(int $place): TimeTick => new TimeTick(
                    (float) ($place - $from),
                    (float) ($place - $from),
                    $axis->placeLabel($place),
                ),
                $firsts,
            );
        }
        $ticks = [];
        $every = max(1, (int) ceil($widest / max($step, 1e-6)));
        for ($place = $from; $place <= $to; $place += $every) {
            $ticks[] = new TimeTick((float) ($place - $from), (float) ($place - $from), $axis->placeLabel($place));
        }

        return $ticks;
    }

    /**
     * @param callable(string): float $width
     * @return list<TimeTick>
     */
    private static function plain(PeriodAxis $axis, int $from, int $to, float $step, callable $width): array
    {
        $widest = max($width($axis->period($from)->short()), $width($axis->period($to)->short()));
        $every = (int) Ticks::step(max(1.0, ($widest + self::ROOM) / max($step, 1e-6)));
        // What is counted has no round numbers: the first is the first.
        $zero = Undated::isCounted($axis->period($from)) ? $axis->period($from)->ordinal : 0;
        $every = $every > 1 && $zero !== 0 && $axis->frequency === Frequency::Day ? 7 * (int) ceil($every / 7) : $every;
        $ticks = [];
        for ($i = $from; $i <= $to; $i++) {
            if (($axis->period($i)->ordinal - $zero) % $every === 0) {
                $ticks[] = new TimeTick($i - $from, $i - $from, $axis->period($i)->short());
            }
        }

        return $ticks;
    }

    /**
     * One label for each span of a coarser frequency, centred on the positions it covers.
     *
     * @param array{int, int} $shown first and last position
     * @param callable(string): float $width
     * @return list<TimeTick>
     */
    private static function spans(
        PeriodAxis $axis,
        array $shown,
        float $step,
        Frequency $span,
        int $every,
        callable $width,
    ): array {
        [$from, $to] = $shown;
        $ticks = [];
        $yearSaid = '';
        $i = $from;
        while ($i <= $to) {
            $period = $axis->period($i)->in($span);
            $start = $i;
            while ($i <= $to && $axis->period($i)->in($span)->ordinal === $period->ordinal) {
                $i++;
            }
            $place = $span === Frequency::Month ? $period->ordinal % 12 : $period->ordinal;
            if ($place % $every !== 0) {
                continue;
            }
            $label = self::spanLabel($span, $period);
            $centre = self::centre(
                [$start - $from, $i - $from],
                $to - $from,
                $step,
                $span === $axis->frequency ? 0.0 : $width($label),
                $every > 1,
                $span === Frequency::Year,
            );
            if ($centre === null) {
                continue;
            }
            $isCut = $start === $from && ($span !== $axis->frequency || !self::beginsAt($axis, $start, $span));
            $year = $span === Frequency::Year || Undated::holds($period) ? '' : (string) $period->yearNumber();
            $ticks[] = new TimeTick(
                $isCut ? null : (float) ($start - $from),
                $centre,
                $label,
                $year === $yearSaid ? '' : $year,
            );
            $yearSaid = $year;
        }

        return $ticks;
    }

    private static function spanLabel(Frequency $span, Period $period): string
    {
        return match ($span) {
            Frequency::Month => Notation::month(($period->ordinal % 12) + 1),
            Frequency::Quarter => 'Q' . (($period->ordinal % 4) + 1),
            Frequency::HalfYear => 'H' . (($period->ordinal % 2) + 1),
            default => $period->label(),
        };
    }

    /** True if a span begins with the period at a position. */
    private static function beginsAt(PeriodAxis $axis, int $position, Frequency $span): bool
    {
        $period = $axis->period($position);

        return $period->in($span)->firstDay() === $period->firstDay();
    }

    /**
     * Where the label of a span has its middle, in positions; null where it has no room.
     *
     * @param array{int, int} $span first position, and the first after it, counted from the first that is shown
     */
    private static function centre(
        array $span,
        int $last,
        float $step,
        float $width,
        bool $isThinned,
        bool $isYear,
    ): ?float {
        [$start, $end] = $span;
        $centre = $isThinned && !$isYear ? (float) $start : ($start + $end - 1) / 2;
        // A label may stick out of a short first or last span by a few pixels, not by more.
        if (($end - $start) * $step >= $width - 8.0 || ($start > 0 && $end <= $last)) {
            return $centre;
        }
        // Beside years that are not named there is room for one at the edge, if it stays at its span.
        $inside = self::inside($centre, $width / 2, $last, $step);

        return $isYear && $isThinned && abs($inside - $centre) * $step <= self::ASIDE ? $inside : null;
    }

    /** The place nearest to one at which a label, half of which is so many pixels wide, keeps within the plot. */
    private static function inside(float $place, float $half, int $last, float $step): float
    {
        $least = ($half - self::ASIDE) / $step;

        return max($least, min($last - $least, $place));
    }

    /**
     * @param callable(string): float $width
     * @return list<TimeTick>
     */
    private static function days(PeriodAxis $axis, int $from, int $to, float $step, callable $width): array
    {
        $every = max(1, (int) ceil(($width('28 Mar') + self::ROOM) / $step));
        $every = $every <= 1 ? 1 : ($every <= 7 ? 7 : 14);
        $ticks = [];
        $yearSaid = null;
        for ($i = $from; $i <= $to; $i += $every) {
            $period = $axis->period($i);
            [$year, $month, $day] = Calendar::date($period->ordinal);
            $isUndated = Undated::holds($period);
            $year = $isUndated ? $yearSaid : $year;
            $ticks[] = new TimeTick(
                $i - $from,
                $i - $from,
                $isUndated ? $period->short() : "{$day} " . Notation::month($month),
                $year === $yearSaid ? '' : (string) $year,
            );
            $yearSaid = $year;
        }

        return $ticks;
    }
}
