<?php

declare(strict_types=1);

namespace DuskRail\Rail\Stops;

use DuskRail\Data\MeasureKind;
use DuskRail\Data\Series;
use DuskRail\Data\SeriesTable;
use DuskRail\Time\PeriodAxis;
use DuskRail\Time\PeriodRange;

/**
 * Lays the series of one table along the axis of another. Where each value comes from is calculated once for the two
 * axes, so that a table of many series only pays for looking the values up.
 */
final readonly class Alignment
{
    /**
     * @param list<int> $places for each target position the source position it is in (may be outside the source)
     * @param list<array{int, float}>|null $lines for straight lines: the source position before, and the share of
     *     the way to the next
     * @param bool $gathers whether several source periods make one target period
     * @param bool $inside whether every target position is within the source
     * @param array{list<int>, list<int>, list<float>} $between the same lines where the source has no gaps at its ends:
     *     the positions before and after, and the share of the way
     */
    private function __construct(
        private array $places,
        private ?array $lines,
        private bool $gathers,
        private bool $adds,
        private PeriodAxis $target,
        private PeriodAxis $source,
        private bool $holdsNewest,
        private bool $inside,
        private array $between,
    ) {}

    public static function of(SeriesTable $source, PeriodAxis $target, Between $between, bool $holdsNewest): self
    {
        $axis = $source->axis;
        $coarser = $target->frequency->isFinerThan($axis->frequency);
        $gathers = $axis->frequency->isFinerThan($target->frequency);
        $places = [];
        $lines = $coarser && $between === Between::Straight ? [] : null;
        for ($i = 0; $i < $target->count; $i++) {
            $period = $target->period($i);
            $place = $gathers ? $i : $period->in($axis->frequency)->ordinal - $axis->first;
            $places[] = $place;
            if ($lines !== null) {
                $lines[] = self::line($axis, $place, ($period->firstDay() + $period->lastDay()) / 2);
            }
        }

        $inside = $places !== [] && min($places) >= 0 && max($places) < $axis->count;

        return new self(
            $places,
            $lines,
            $gathers,
            $source->kind === MeasureKind::Flow,
            $target,
            $axis,
            $holdsNewest,
            $inside,
            self::between($lines ?? [], $axis->count - 1),
        );
    }

    /**
     * @param list<array{int, float}> $lines
     * @return array{list<int>, list<int>, list<float>}
     */
    private static function between(array $lines, int $last): array
    {
        return [
            array_map(static fn(array $line): int => max(0, $line[0]), $lines),
            array_map(static fn(array $line): int => min($line[0] + 1, $last), $lines),
            array_column($lines, 1),
        ];
    }

    /**
     * The values of a series, and for each target position which of them holds there; a value that is missing is NAN.
     *
     * @return array{array<int, float>, list<int>}
     */
    public function laid(Series $series): array
    {
        $source = $series->values;
        $last = $series->lastPosition() ?? -1;
        if ($this->gathers) {
            $figures = $this->gathered($source);
        } elseif ($this->lines === null) {
            return [$this->reachable($source, $last), $this->places];
        } else {
            $figures = $this->onLines($source, $last);
        }

        return [$figures, array_keys($this->places)];
    }

    /**
     * @param list<float> $source
     * @return list<float> one for each target position
     */
    private function onLines(array $source, int $last): array
    {
        $lines = $this->lines ?? [];
        $first = 0;
        while ($first < $last && is_nan($source[$first])) {
            $first++;
        }
        // With every place within the data, as most are, nothing has to be asked of each.
        if ($this->inside && $first === 0 && $last === $this->source->count - 1) {
            [$befores, $afters, $figures] = $this->between;
            foreach ($figures as $i => $share) {
                $from = $source[$befores[$i]];
                $figures[$i] = $from + ($source[$afters[$i]] - $from) * $share;
            }

            return $figures;
        }
        $figures = [];
        foreach ($lines as $i => [$before, $share]) {
            $place = $this->places[$i];
            if ($place < $first || $last < 0) {
                $figures[] = NAN;
            } elseif ($place > $last) {
                $figures[] = $this->holdsNewest ? $source[$last] : NAN;
            } else {
                // Outside the first and the last middle there is no line to be on; the nearest value holds.
                $from = $source[max($before, $first)];
                $to = $source[max($first, min($before + 1, $last))];
                $figures[] = $from + ($to - $from) * $share;
            }
        }

        return $figures;
    }

    /**
     * The source as far as any place asks for it, so that looking a value up needs no questions.
     *
     * @param list<float> $source
     * @return array<int, float> by source position
     */
    private function reachable(array $source, int $last): array
    {
        $reachable = $source;
        $after = $this->holdsNewest && $last >= 0 ? $source[$last] : NAN;
        for ($place = $last + 1, $end = $this->places === [] ? 0 : max($this->places); $place <= $end; $place++) {
            $reachable[$place] = $after;
        }
        for ($place = $this->places === [] ? 0 : min($this->places); $place < 0; $place++) {
            $reachable[$place] = NAN;
        }

        return $reachable;
    }

    /** First target position that is after a source position. */
    public function firstBeyond(int $sourcePosition): int
    {
        $position = count($this->places);
        $limit = $this->gathers
            ? $this->source->period($sourcePosition)->in($this->target->frequency)->ordinal - $this->target->first
            : $sourcePosition;
        while ($position > 0 && $this->places[$position - 1] > $limit) {
            $position--;
        }

        return $position;
    }

    /**
     * Sum (of a flow) or mean (of a stock) of the source periods in each target period; all must be there.
     *
     * @param list<float> $source
     * @return list<float>
     */
    private function gathered(array $source): array
    {
        $sums = array_fill(0, $this->target->count, 0.0);
        $counts = array_fill(0, $this->target->count, 0);
        foreach ($source as $i => $value) {
            $at = $this->source->period($i)->in($this->target->frequency)->ordinal - $this->target->first;
            if (isset($sums[$at])) {
                $sums[$at] += $value;
                $counts[$at]++;
            }
        }
        $gathered = [];
        foreach ($sums as $at => $sum) {
            $period = $this->target->period($at);
            $whole = PeriodRange::between($period, $period)->at($this->source->frequency)->count();
            $gathered[] = $counts[$at] === $whole ? ($this->adds ? $sum : $sum / $whole) : NAN;
        }

        return $gathered;
    }

    /** @return array{int, float} */
    private static function line(PeriodAxis $axis, int $place, float $day): array
    {
        $middle = static function (int $position) use ($axis): float {
            $period = $axis->period($position);

            return ($period->firstDay() + $period->lastDay()) / 2;
        };
        $before = $day < $middle($place) ? $place - 1 : $place;

        return [$before, ($day - $middle($before)) / ($middle($before + 1) - $middle($before))];
    }
}
