<?php

declare(strict_types=1);

namespace Tests\Own;

use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\Unit;
use DuskRail\Data\ValueType;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\PeerSummary;
use DuskRail\Views\View;

/** A view that the program does not have, and that shows other values: how many steps of ten each line is above zero. */
final readonly class DistanceView extends View
{
    public function name(): string
    {
        return 'distance';
    }

    public function title(): string
    {
        return 'Distance';
    }

    public function parts(): array
    {
        return [];
    }

    public function lineup(Comparison $comparison): Lineup
    {
        $steps = static fn(Line $l): array => array_map(static fn(float $v): float => $v / 10, $l->values);
        $lines = array_map(
            static fn(Line $l): Line => $l->valued($steps($l), $comparison->from, $comparison->to),
            $comparison->lines,
        );

        return new Lineup(
            $comparison,
            $comparison->axis,
            Unit::of(ValueType::Score, 'tens'),
            $lines,
            $comparison->from,
            $comparison->to,
            new PeerSummary(new PeersPart()),
            1,
        );
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return new Scene($width, $height, [], null, 'Distance', 'Distance');
    }
}
