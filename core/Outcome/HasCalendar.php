<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Rail\RunStep;
use DuskRail\Rail\Stops\Change;
use DuskRail\Rail\Stops\IndexToBase;
use DuskRail\Rail\Stops\Rolling;
use DuskRail\Rail\Stops\Seasonal;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodRange;

/** What can be asked of the time of a comparison: its seasons, its base; for classes with an axis and a run. */
trait HasCalendar
{
    /**
     * True if all lines have one reference period. Where positions are counted from an event of its own, or are
     * plain numbers, each line has its own last.
     */
    public function hasOneNow(): bool
    {
        return $this->axis->frequency !== Frequency::Number;
    }

    /** The last index in use whose base is at the same time for all, or null. */
    public function indexed(): ?RunStep
    {
        foreach (array_reverse($this->run->inUse()) as $step) {
            if ($step->placed->stop instanceof IndexToBase && $step->placed->stop->base() !== null) {
                return $step;
            }
        }

        return null;
    }

    /** Its base, or null; also where the axis has left the calendar that the base is in. */
    public function base(): ?PeriodRange
    {
        $stop = $this->indexed()?->placed->stop;
        $base = $stop instanceof IndexToBase ? $stop->base() : null;

        return $base !== null &&
            ($base->first->frequency === Frequency::Number) === ($this->axis->frequency === Frequency::Number)
            ? $base
            : null;
    }

    /** How many periods a year has; of periods since an event, those of before they were counted. NAN without years. */
    public function perYear(): float
    {
        $frequency = $this->isSinceEvent() ? $this->run->origin->axis->frequency : $this->axis->frequency;

        return $frequency->meanPerYear();
    }

    /** Values in a year, where seasons may show in them, else 1. */
    public function season(): int
    {
        return match (true) {
            $this->isSinceEvent() => $this->run->origin->axis->frequency->inAYear(),
            $this->axis->frequency === Frequency::Number => 1,
            default => $this->axis->frequency->inAYear(),
        };
    }

    /** The same of what is left of the seasons: 1 where a stop has taken them out. */
    public function seasonLeft(): int
    {
        $season = $this->season();
        foreach ($season > 1 ? $this->run->inUse() : [] as $step) {
            $stop = $step->placed->stop;
            $isOut = match (true) {
                $stop instanceof Rolling => $stop->window % $season === 0,
                $stop instanceof Seasonal => $stop->show !== 'seasonal',
                $stop instanceof Change => $stop->on === 'year',
                default => false,
            };
            if ($isOut) {
                return 1;
            }
        }

        return $season;
    }

    /** Whether the axis counts periods from an event that each line has at a time of its own. */
    public function isSinceEvent(): bool
    {
        return $this->axis->frequency === Frequency::Number &&
            $this->run->origin->axis->frequency !== Frequency::Number;
    }
}
