<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\Scattered;

/** The Scatter view: points cut into four corners, with paths, sizes and straight fits where they are wanted. */
final readonly class ScatterComposer
{
    /** The title of the vertical axis is above it. */
    private const TOP = 36.0;

    public function __construct(private TextMeasure $measure) {}

    public function compose(Scattered $scatter, float $width, float $height): Scene
    {
        $narrow = $width < 560;
        $type = Type::text($narrow ? 12.5 : 13.5);
        $axes = new Axes($this->measure);
        $painter = new ScatterPainter($this->measure);
        $labels = new ScatterLabels($this->measure);
        $bottom = $height - 48.0;
        [$xs, $ys] = ScatterGeometry::values($scatter);
        $up = ScatterGeometry::scale($ys, $bottom, self::TOP);
        $ticks = Ticks::on($up, max(2, (int) (($bottom - self::TOP) / 62)));
        $left = $axes->room($ticks, $type);
        $along = ScatterGeometry::scale($xs, $left + 8.0, $width - 26.0);
        $plot = new PlotArea($left, $width - 18.0, self::TOP, $bottom, 0, 1);
        $funnel = ScatterPainter::funnelCurves($scatter, $along, $up, $plot);
        $obstacles = [
            ...$labels->obstacles($scatter, $along, $up),
            ...ScatterLabels::alongCurves($funnel),
            ...$labels->cuts($scatter, $along, $up, $plot),
        ];
        $hues = ScatterGeometry::groupHues($scatter);

        return new Scene(
            $width,
            $height,
            [
                $painter->corners($scatter, $plot, $along, $up),
                ...ScatterPainter::sameResult($scatter, $along, $plot),
                $axes->values($ticks, $up, $plot, $type),
                $painter->horizontalAxis($scatter, $along, $plot, $type),
                $painter->titles($scatter, $plot, $type),
                ...$painter->funnel($scatter, $up, $plot, $funnel),
                ...$painter->fits($scatter, $along, $up, $plot, $hues),
                ...$painter->points($scatter, $along, $up, $hues),
                $painter->cornerNames($scatter, $plot),
                ...$labels->labels($scatter, $along, $up, $plot, $obstacles, $hues),
            ],
            $plot,
            "{$scatter->vertical->measure->name} against {$scatter->horizontal->measure->name}",
            self::summary($scatter),
            $up,
        );
    }

    private static function summary(Scattered $scatter): string
    {
        $text =
            count($scatter->points) .
            " points, {$scatter->when}: {$scatter->vertical->measure->name} upwards, " .
            "{$scatter->horizontal->measure->name} along.";
        foreach ($scatter->points as $point) {
            if ($point->line->hue > 0) {
                $text .= " {$point->line->name}: {$scatter->vertical->format(
                    $point->y,
                )} and {$scatter->horizontal->format($point->x)}.";
            }
        }

        return $text;
    }
}
