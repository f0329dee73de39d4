<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\Comparison;

/** The strip under the chart: the whole time span, the part that is shown, and the base. */
final readonly class TrackComposer
{
    private const TOP = 8.0;

    private const BAR = 34.0;

    public function __construct(private TextMeasure $measure) {}

    /** @param PlotArea $chart whose left and right edges the strip shares, so that the two time scales line up */
    public function compose(Comparison $comparison, PlotArea $chart, float $width): Scene
    {
        $bottom = self::TOP + self::BAR;
        $plot = new PlotArea($chart->left, $chart->right, self::TOP, $bottom, 0, max(0, $comparison->axis->count - 1));
        $absent = ($comparison->focus()[0] ?? ($comparison->lines[0] ?? null))->absent ?? [];
        $line = ($comparison->focus()[0] ?? null)->values ?? $comparison->peerLine;
        $line = $line === [] ? $comparison->present()[0]->values ?? [] : $line;
        $present = array_filter($line, static fn(float $v): bool => !is_nan($v));
        $scale = Scale::vertical($present, $bottom - 3, self::TOP + 3);
        $marks = [
            new Box($plot->left, self::TOP, $plot->right - $plot->left, self::BAR, Ink::Tint, 6),
            new Group(
                'track-line',
                $line === [] ? [] : [new Stroke(Pieces::of($line, $plot, $scale, $absent), Ink::Median, 1.5)],
            ),
            $this->words($comparison, $plot),
        ];
        $base = $comparison->base();
        $positions = $base === null ? null : $comparison->axis->positions($base);
        if ($base !== null && $positions !== null) {
            $x = $plot->x($positions[0]);
            $w = max(6.0, $plot->x($positions[1]) + ($positions[1] < $plot->to ? $plot->step() : 0.0) - $x);
            $marks[] = new Group(
                'track-base',
                [
                    new Box($x, self::TOP, $w, self::BAR, Ink::Focus1, 0, 0.22),
                    new Box($x, $bottom + 2, $w, 4, Ink::Focus1, 2),
                ],
                [
                    'from' => (string) $positions[0],
                    'to' => (string) $positions[1],
                    'label' => $base->label(),
                ],
            );
        }
        foreach (['from' => $comparison->from, 'to' => $comparison->to] as $end => $position) {
            $marks[] = new Group(
                "track-{$end}",
                [new Box($plot->x($position) - 4, self::TOP - 4, 8, self::BAR + 8, Ink::Rail, 4)],
                ['position' => (string) $position, 'label' => $comparison->axis->period($position)->label()],
            );
        }

        return new Scene($width, 66.0, $marks, $plot);
    }

    private function words(Comparison $comparison, PlotArea $plot): Group
    {
        $type = Type::text(12.5);
        $marks = [];
        foreach (
            TimeTicks::along(
                $comparison->axis,
                0,
                $plot->to,
                $plot->step(),
                fn(string $t): float => $this->measure->width($t, $type),
            ) as $tick
        ) {
            $marks[] = Words::plain(
                $plot->left + $tick->centre * $plot->step(),
                $plot->bottom + 20,
                $tick->label,
                $type,
                Ink::Quiet,
                'middle',
            );
        }

        return new Group('track-words', $marks);
    }
}
