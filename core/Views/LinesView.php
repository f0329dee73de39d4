<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\LinesInPanel;
use DuskRail\Chart\PanelsComposer;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\PointsPart;
use DuskRail\Document\Parts\ProjectionPart;
use DuskRail\Document\Parts\TonePart;
use DuskRail\Document\Parts\TurnsPart;
use DuskRail\Document\Parts\VariationPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Facets;
use DuskRail\Outcome\Variation;
use DuskRail\Words\AxisName;
use DuskRail\Words\OutlookWords;
use DuskRail\Words\TurnWords;

/** Lines along time, named and valued at their ends. */
final readonly class LinesView extends View
{
    public function name(): string
    {
        return 'lines';
    }

    public function title(): string
    {
        return 'Lines';
    }

    public function about(): string
    {
        return 'The focus in colour before grey peers.';
    }

    public function hasPeers(): bool
    {
        return true;
    }

    public function parts(): array
    {
        return [
            PanelsPart::class,
            AxisPart::class,
            LabelsPart::class,
            MarksPart::class,
            VariationPart::class,
            TurnsPart::class,
            ProjectionPart::class,
            LookPart::class,
            PointsPart::class,
            TonePart::class,
        ];
    }

    public function defaultSplit(): string
    {
        return 'entity';
    }

    public function tools(): array
    {
        return ['limits', 'base', 'labels'];
    }

    public function readsAlongLines(): bool
    {
        return true;
    }

    public function time(Comparison $comparison, ?Scene $picture, TextMeasure $measure, array $size): ?PlotArea
    {
        return $picture === null ? null : $picture->plot?->enlarged($picture->zoom);
    }

    protected function subtitle(Comparison $comparison): string
    {
        $variation = $this->isSplit($comparison->study) ? null : Variation::of($comparison);
        $baseline = $comparison->study->part(VariationPart::class)->baseline;

        return AxisName::of($comparison) .
            ($variation === null
                ? ''
                : '; shaded: ordinary variation' . ($baseline === '' ? '' : ", baseline {$baseline}")) .
            ($this->isSplit($comparison->study)
                ? ''
                : TurnWords::underHeadline($comparison) . OutlookWords::underHeadline($comparison));
    }

    public function facets(Comparison $comparison): array
    {
        return Facets::of($comparison);
    }

    protected function rows(Comparison $comparison, TextMeasure $measure, float $width, float $height): array
    {
        $facets = $this->facets($comparison);

        return (new PanelsComposer($measure))->rows($comparison, $facets, new LinesInPanel(true), [$width, $height]);
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new LinesComposer($measure))->compose($this->lineup($comparison), $width, $height);
    }
}
