<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Parts\TurnsPart;
use DuskRail\Rail\Explanation;
use DuskRail\Statistics\Trend;
use DuskRail\Statistics\Turn;
use DuskRail\Statistics\Turns;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodRange;

/** Where a line turns, in periods, and how fast it has gone since. */
final class LineTurns
{
    /** @var array<int, PeriodRange> by turn */
    private array $between = [];

    /**
     * @param Period $first of what was looked at
     * @param float $windows how many values go into each that is shown; NAN where that says nothing of its pace
     */
    public function __construct(
        private readonly Comparison $comparison,
        public readonly Line $line,
        public readonly Turns $turns,
        private readonly Period $first,
        private readonly float $windows,
    ) {}

    /** @return list<self> of the lines in focus, where they are asked for and there are any */
    public static function shown(Comparison $comparison): array
    {
        $shown = [];
        foreach ($comparison->study->part(TurnsPart::class)->turns === 'shown' ? $comparison->focus() : [] as $line) {
            $turns = $comparison->courses->turns($line);
            if ($turns !== null && $turns->has()) {
                $shown[] = $turns;
            }
        }

        return $shown;
    }

    public function has(): bool
    {
        return $this->turns->turns !== [];
    }

    /** @return list<Turn> */
    public function all(): array
    {
        return $this->turns->turns;
    }

    /** The last turn of its slope, or where there is none the last change of its level; null without turns. */
    public function last(): ?Turn
    {
        foreach (array_reverse($this->turns->turns) as $turn) {
            if ($turn->bends()) {
                return $turn;
            }
        }

        return $this->lastStep();
    }

    /** The last change of its level; null without one. */
    public function lastStep(): ?Turn
    {
        foreach (array_reverse($this->turns->turns) as $turn) {
            if ($turn->step !== 0.0) {
                return $turn;
            }
        }

        return null;
    }

    /** First period that was looked at. */
    public function start(): Period
    {
        return $this->first;
    }

    public function period(Turn $turn): Period
    {
        return $this->first->plus($turn->position);
    }

    /** Where a turn may be, with 95 % confidence. */
    public function between(Turn $turn): PeriodRange
    {
        $which = (int) array_search($turn, $this->turns->turns, true);
        if (!isset($this->between[$which])) {
            [$low, $high] = $this->turns->interval($which);
            $this->between[$which] = PeriodRange::between($this->first->plus($low), $this->first->plus($high));
        }

        return $this->between[$which];
    }

    /** Position on the axis of the comparison: where periods were put together, of the first of them. */
    public function position(Period $period): int
    {
        $own = $this->comparison->axis;
        $at = $period->frequency === $own->frequency ? $period : Period::holding($own->frequency, $period->firstDay());

        return max(0, $at->ordinal - $own->first);
    }

    /** Whether its values are those that are drawn, one for one. */
    public function isOfShown(): bool
    {
        return $this->first->frequency === $this->comparison->axis->frequency && !$this->comparison->isSmoothed();
    }

    /** What a pace is for: `month`. */
    public function noun(): string
    {
        return $this->comparison->isSinceEvent()
            ? $this->comparison->run->origin->axis->frequency->noun()
            : $this->first->frequency->noun();
    }

    /** Periods of a pace in a year. */
    public function perYear(): float
    {
        $of = $this->comparison->isSinceEvent() ? $this->comparison->run->origin->axis : $this->first;

        return $of->frequency->meanPerYear();
    }

    /** How much the values that are shown go up in a period since the last turn; NAN where that cannot be told. */
    public function pace(): float
    {
        return $this->turns->slope * $this->windows;
    }

    /** The same before the last turn. */
    public function paceBefore(): float
    {
        return ($this->last()->before ?? NAN) * $this->windows;
    }

    /** How much higher the values that are shown are from a turn on; 0 where only the slope changes. */
    public function step(Turn $turn): float
    {
        return $turn->step * $this->windows;
    }

    /** The verdict on the part since the last turn. */
    public function verdict(Trend $whole): Trend
    {
        $last = $this->last();
        if ($last === null) {
            return $whole;
        }
        return $whole->since(
            $this->turns,
            $this->period($last)->short(),
            $last->bends() ? 0.0 : $last->step,
            'slope ' .
                Explanation::number($this->turns->slope) .
                " a {$this->noun()}, standard error " .
                Explanation::number($this->turns->error) .
                '; before the turn ' .
                Explanation::number($last->before),
        );
    }
}
