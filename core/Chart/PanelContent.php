<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\AxisPart;
use DuskRail\Outcome\Facet;

/** How what is in a panel is drawn. */
interface PanelContent
{
    /**
     * @param non-empty-list<Facet> $facets
     * @return array{float, float} lowest and highest value of all
     */
    public function extremes(array $facets): array;

    /**
     * The scale of a panel, from 1 at its foot to 0 at its top until it is set between pixels.
     *
     * @param array{float, float}|null $common lowest and highest of all panels, where they share a scale
     * @param float|null $half half the span that all scales have, where they share it
     */
    public function scale(Facet $facet, ?array $common, ?float $half, AxisPart $axis): Scale;

    /** @return list<Group> */
    public function groups(Facet $facet, PlotArea $plot, Scale $scale): array;

    /** Whether all other lines can be seen faintly behind. */
    public function hasOthersBehind(): bool;
}
