<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\LineState;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Peers\RankPosition;
use DuskRail\Time\Lag;

/** A line in focus among its peers: in the reference period and in each year before, and its trend. */
final readonly class PeerComparison
{
    /** @param non-empty-list<PeerYear> $years once a year, from the latest back as far as is shown */
    private function __construct(
        public Comparison $comparison,
        public Line $line,
        public TrendSummary $trend,
        public array $years,
    ) {}

    /** Its rank and gaps in the reference period. */
    public function now(): RankPosition
    {
        return $this->years[0]->position;
    }

    /** Its rank and gaps a year before, if that is shown. */
    public function before(): ?RankPosition
    {
        return isset($this->years[1]) ? $this->years[1]->position : null;
    }

    /** @return list<self> one for each line in focus that has a value and somebody to be compared with */
    public static function of(Comparison $comparison): array
    {
        $all = [];
        $trends = $comparison->courses;
        $benchmark = self::benchmark($comparison);
        $target = $comparison->study->part(PeersPart::class)->target;
        foreach ($comparison->focus() as $line) {
            $years = [];
            for (
                $at = $line->current;
                $at !== null && $at >= $comparison->from;
                $at = self::yearBefore($comparison, $at)
            ) {
                $position = $comparison->peers->rankOf($line, $at);
                if ($position === null) {
                    break;
                }
                $years[] = new PeerYear(
                    $comparison->axis->period($at)->short(),
                    $line->values[$at],
                    $position,
                    $target->at($line->name, $comparison->axis, $at),
                    $benchmark->values[$at] ?? NAN,
                );
            }
            if ($years !== []) {
                $all[] = new self($comparison, $line, $trends->course($line), $years);
            }
        }

        return $all;
    }

    /** The first benchmark shown that is of the size of one entity: no total of them. */
    public static function benchmark(Comparison $comparison): ?Line
    {
        $entities = $comparison->data->entities();
        foreach ($comparison->lines as $line) {
            if ($line->isBenchmark() && $line->state === LineState::Peer && !$entities[$line->key]->isLarge()) {
                return $line;
            }
        }

        return null;
    }

    /** The same period a year before; the last week or day of a longer year has none, and the one before is in. */
    private static function yearBefore(Comparison $comparison, int $at): ?int
    {
        if (!$comparison->hasOneNow()) {
            $back = $comparison->isSinceEvent() ? (int) $comparison->perYear() : 1;

            return $at - $back < $comparison->from ? null : $at - $back;
        }
        $axis = $comparison->axis;

        return Lag::yearBefore($axis, $at) ?? ($at > 0 ? Lag::yearBefore($axis, $at - 1) : null);
    }
}
