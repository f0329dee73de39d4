<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Better;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Rail\DatedTarget;
use DuskRail\Rail\Targets;
use DuskRail\Statistics\Quantile;

/** What each line of a comparison is to reach, by when, and from which side. */
final class TargetsOfLines
{
    private readonly Targets $targets;

    /** The middle of where lines began. */
    private ?float $start = null;

    public function __construct(private readonly Comparison $comparison)
    {
        $this->targets = $comparison->study->part(PeersPart::class)->target;
    }

    /** Whether there is a date by which something is to be reached, for any line. */
    public function hasDates(): bool
    {
        foreach ($this->comparison->present() as $line) {
            if ($this->targets->dated($line->name, $this->comparison->axis) !== []) {
                return true;
            }
        }

        return false;
    }

    /** The next date by which something is to be reached, else the last; null without one. */
    public function due(Line $line, int $current): ?DatedTarget
    {
        $dated = $this->targets->dated($line->name, $this->comparison->axis);
        foreach ($dated as $next) {
            if ($next->position > $current) {
                return $next;
            }
        }

        return $dated === [] ? null : $dated[count($dated) - 1];
    }

    /** What a line is to reach next; NAN where nothing is set. */
    public function level(Line $line, int $current): float
    {
        return $this->due($line, $current)->value ?? $this->targets->at($line->name, $this->comparison->axis, $current);
    }

    /**
     * Which way a target is: 1 upwards, −1 downwards. Where nothing says which way is good, from where those who are to
     * reach it began: who is beyond it by now has reached it.
     */
    public function way(Line $line, float $target): int
    {
        $start = $this->targets->isOwn($line->name) ? $this->start($line) : ($this->start ??= $this->middleStart());

        return match ($this->comparison->better()) {
            Better::Higher => 1,
            Better::Lower => -1,
            Better::Neither => $target >= $start ? 1 : -1,
        };
    }

    /** The first value of a line that is shown; NAN without one. */
    private function start(Line $line): float
    {
        for ($i = $this->comparison->from; $i <= $this->comparison->to; $i++) {
            if (!is_nan($line->values[$i])) {
                return $line->values[$i];
            }
        }

        return NAN;
    }

    private function middleStart(): float
    {
        $starts = [];
        foreach ($this->comparison->present() as $line) {
            $starts[] = $line->isBenchmark() || $line->isGroup() ? NAN : $this->start($line);
        }
        $starts = array_values(array_filter($starts, static fn(float $v): bool => !is_nan($v)));

        return $starts === [] ? NAN : Quantile::of($starts, 0.5);
    }
}
