<?php

declare(strict_types=1);

namespace DuskRail\Outcome;

use DuskRail\Data\Better;
use DuskRail\Document\LineState;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Peers\Position;
use DuskRail\Statistics\Trend;

/** Where a line in focus stands among the peers, now and a year before, and where it is going. */
final readonly class Standing
{
    /**
     * @param list<array{period: string, value: float, position: Position, target: float}> $course once a year, from
     *     the newest back as far as is shown
     */
    private function __construct(public Line $line, public Position $now, public Trend $trend, public array $course) {}

    /** Where it stood a year before, if that is shown. */
    public function before(): ?Position
    {
        return $this->course[1]['position'] ?? null;
    }

    /** @return list<self> one for each line in focus that has a value and peers */
    public static function of(Comparison $comparison): array
    {
        $standings = [];
        $lowerIsBetter = $comparison->data->better === Better::Lower;
        $back = $comparison->axis->frequency->perYear() ?? 1;
        $perYear = (float) ($comparison->axis->frequency->perYear() ?? 1);
        foreach ($comparison->focus() as $line) {
            $at = $line->last;
            $peers = array_map(
                static fn(Line $l): array => $l->values,
                array_filter($comparison->inState(LineState::Peer), static fn(Line $l): bool => !$l->isGroup()),
            );
            $now = $at === null ? null : Position::of($line->values[$at], array_column($peers, $at), $lowerIsBetter);
            if ($now === null || $at === null) {
                continue;
            }
            $course = [];
            for ($i = $at; $i >= $comparison->from; $i -= $back) {
                $position = Position::of($line->values[$i], array_column($peers, $i), $lowerIsBetter);
                if ($position === null) {
                    break;
                }
                $course[] = [
                    'period' => $comparison->axis->period($i)->short(),
                    'value' => $line->values[$i],
                    'position' => $position,
                    'target' => $comparison->study
                        ->part(PeersPart::class)
                        ->target->at($line->name, $comparison->axis, $i),
                ];
            }
            $standings[] = new self(
                $line,
                $now,
                Trend::of(
                    array_slice($line->values, $comparison->from, $comparison->to - $comparison->from + 1),
                    $perYear,
                ),
                $course,
            );
        }

        return $standings;
    }
}
