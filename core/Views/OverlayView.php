<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\LinesInPanel;
use DuskRail\Chart\PanelsComposer;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Parts\AxisPart;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\MarksPart;
use DuskRail\Document\Parts\OverlayPart;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\PointsPart;
use DuskRail\Document\Parts\TonePart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Facets;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Overlay;
use DuskRail\Outcome\ValueTable;
use DuskRail\Words\Headline;

/** Years (or months, or weeks) of one line merged into each other. */
final readonly class OverlayView extends View
{
    public function name(): string
    {
        return 'overlay';
    }

    public function title(): string
    {
        return 'Overlay';
    }

    public function about(): string
    {
        return 'The years of one line over each other, the latest solid and the one before dashed.';
    }

    public function parts(): array
    {
        return [
            OverlayPart::class,
            AxisPart::class,
            LabelsPart::class,
            MarksPart::class,
            PanelsPart::class,
            LookPart::class,
            PointsPart::class,
            TonePart::class,
        ];
    }

    public function defaultSplit(): string
    {
        return 'entity';
    }

    public function dimension(Study $study): string
    {
        return 'y';
    }

    public function showsRange(): bool
    {
        return false;
    }

    public function tools(): array
    {
        return ['limits', 'labels'];
    }

    public function readsAlongLines(): bool
    {
        return true;
    }

    public function lineup(Comparison $comparison): Lineup
    {
        $subject = $comparison->subject();
        $line = $subject === null ? null : $comparison->line($subject->key);

        return $line === null
            ? Lineup::of($comparison)
            : Overlay::of($comparison, $line, $this->isSplit($comparison->study));
    }

    public function facets(Comparison $comparison): array
    {
        return Facets::of($comparison, true);
    }

    protected function rows(Comparison $comparison, TextMeasure $measure, float $width, float $height): array
    {
        $facets = $this->facets($comparison);

        return (new PanelsComposer($measure))->rows($comparison, $facets, new LinesInPanel(false), [$width, $height]);
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new LinesComposer($measure))->compose($this->lineup($comparison), $width, $height);
    }

    /** The values by period, of all lines: whoever works on with them can lay years over each other again. */
    public function values(Comparison $comparison): ValueTable
    {
        return ValueTable::ofLines(Lineup::of($comparison));
    }

    protected function headline(Comparison $comparison): string
    {
        return $this->isSplit($comparison->study)
            ? Headline::ofLines(Lineup::of($comparison))
            : Headline::ofYears($comparison, $this->lineup($comparison));
    }
}
