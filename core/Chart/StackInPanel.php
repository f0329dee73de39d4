<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\AxisPart;
use DuskRail\Outcome\Facet;
use DuskRail\Outcome\Stacked;

/** The parts of a whole in a panel. */
final readonly class StackInPanel implements PanelContent
{
    public function extremes(array $facets): array
    {
        return [0.0, max(array_map(static fn(Facet $facet): float => self::own($facet)->high, $facets))];
    }

    public function scale(Facet $facet, ?array $common, ?float $half, AxisPart $axis): Scale
    {
        return $common === null ? self::own($facet) : new Scale(0.0, $common[1], 1.0, 0.0);
    }

    public function groups(Facet $facet, PlotArea $plot, Scale $scale): array
    {
        return (new StackPainter($facet->lineup, $plot, $scale))->marks();
    }

    public function hasOthersBehind(): bool
    {
        return false;
    }

    private static function own(Facet $facet): Scale
    {
        return StackComposer::scale(Stacked::of($facet->lineup), $facet->lineup, 1.0, 0.0);
    }
}
