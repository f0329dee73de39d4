<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\LineState;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Outcome\Facet;
use DuskRail\Outcome\Line;

/** Lines in a panel: those of its own, with their band and mean. */
final readonly class LinesInPanel implements PanelContent
{
    public function __construct(private bool $othersBehind) {}

    public function extremes(array $facets): array
    {
        $extremes = array_map(static fn(Facet $f): array => $f->lineup->extremes(), $facets);

        return [min(array_column($extremes, 0)), max(array_column($extremes, 1))];
    }

    public function scale(Facet $facet, ?array $common, ?float $half, AxisPart $axis): Scale
    {
        [$low, $high] = $common ?? $facet->lineup->extremes();
        if ($facet->lineup->unit->isRank() && $low <= $high) {
            return new Scale($high + 0.5, 0.5, 1.0, 0.0);
        }
        $logarithms = $axis->log ? Scale::logarithms([$low, $high]) : null;
        if ($half !== null && $logarithms !== null) {
            $middle = array_sum($logarithms) / 2;

            return new Scale(10.0 ** ($middle - $half), 10.0 ** ($middle + $half), 1.0, 0.0, true);
        }
        if ($half !== null && $low <= $high && !$axis->log) {
            $middle = ($low + $high) / 2;

            return new Scale($middle - $half, $middle + $half, 1.0, 0.0);
        }

        return Scale::wanted([$low, $high], $axis, false, 1.0, 0.0);
    }

    public function groups(Facet $facet, PlotArea $plot, Scale $scale): array
    {
        $painter = new LinesPainter($facet->lineup, $plot, $scale, 0.62);
        $mean = is_nan($facet->mean) ? [] : [self::mean($scale->at($facet->mean), $plot)];
        $own = $facet->own;

        return $own !== null && $own->state === LineState::Peer && count($facet->lineup->lines) === 1
            ? [...$mean, self::alone($own, $painter)]
            : [(new BandPainter($painter))->band(), ...$mean, ...$painter->lines()];
    }

    public function hasOthersBehind(): bool
    {
        return $this->othersBehind;
    }

    private static function mean(float $y, PlotArea $plot): Group
    {
        return new Group('mean', [new Stroke([[$plot->left, $y, $plot->right, $y]], Ink::Median, 1.2, [4.0, 3.0])]);
    }

    /** A peer that has a panel for itself is no longer quiet in it. */
    private static function alone(Line $line, LinesPainter $painter): Group
    {
        return new Group(
            'series',
            [
                ...$painter->strokes($line, Ink::Sheet, 3.6),
                ...$painter->strokes($line, Ink::of($line, Ink::Text), 1.8),
                ...$painter->telling($line, Ink::of($line, Ink::Text)),
            ],
            $painter->facts($line),
            points: $painter->points($line),
        );
    }
}
