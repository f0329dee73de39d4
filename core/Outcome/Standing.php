<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Document\Parts\PeersPart;
use DuskRail\Peers\Position;
use DuskRail\Time\Lag;

/** Where a line in focus is among the peers, now and a year before, and where it is going. */
final readonly class Standing
{
    /**
     * @param list<array{period: string, value: float, position: Position, target: float}> $years once a year, from
     *     the latest back as far as is shown
     */
    private function __construct(public Line $line, public Position $now, public Course $course, public array $years) {}

    /** Where it was a year before, if that is shown. */
    public function before(): ?Position
    {
        return $this->years[1]['position'] ?? null;
    }

    /** @return list<self> one for each line in focus that has a value and somebody to be compared with */
    public static function of(Comparison $comparison): array
    {
        $standings = [];
        $courses = Courses::of($comparison);
        foreach ($comparison->focus() as $line) {
            $now = $comparison->peers->place($line, $line->at);
            if ($now === null || $line->at === null) {
                continue;
            }
            $years = [];
            for ($at = $line->at; $at !== null && $at >= $comparison->from; $at = self::yearBefore($comparison, $at)) {
                $position = $comparison->peers->place($line, $at);
                if ($position === null) {
                    break;
                }
                $years[] = [
                    'period' => $comparison->axis->period($at)->short(),
                    'value' => $line->values[$at],
                    'position' => $position,
                    'target' => $comparison->study
                        ->part(PeersPart::class)
                        ->target->at($line->name, $comparison->axis, $at),
                ];
            }
            $standings[] = new self($line, $now, $courses->course($line), $years);
        }

        return $standings;
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
