<?php

declare(strict_types=1);

namespace DuskRail\Study;

use DuskRail\Data\Better;
use DuskRail\Peers\Position;
use DuskRail\Statistics\Trend;

/** Where a line in focus stands among the peers, now and a year before, and where it is going. */
final readonly class Standing
{
    private function __construct(public Line $line, public Position $now, public ?Position $before, public Trend $trend, public string $period) {}

    /** @return list<self> one for each line in focus that has a value and peers */
    public static function of(Comparison $comparison): array
    {
        $standings = [];
        $lowerIsBetter = $comparison->data->better === Better::Lower;
        $back = $comparison->axis->frequency->perYear() ?? 1;
        $perYear = (float) ($comparison->axis->frequency->perYear() ?? 1);
        foreach ($comparison->focus() as $line) {
            $at = $line->last;
            $peers = array_map(static fn(Line $l): array => $l->values, $comparison->inState(LineState::Peer));
            $now = $at === null ? null : Position::of($line->values[$at], array_column($peers, $at), $lowerIsBetter);
            if ($now === null || $at === null) {
                continue;
            }
            $earlier = $at - $back;
            $standings[] = new self(
                $line,
                $now,
                $earlier < $comparison->from ? null : Position::of($line->values[$earlier], array_column($peers, $earlier), $lowerIsBetter),
                Trend::of(array_slice($line->values, $comparison->from, $comparison->to - $comparison->from + 1), $perYear),
                $comparison->axis->period($at)->label(),
            );
        }

        return $standings;
    }
}
