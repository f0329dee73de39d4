<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\Parts\FiguresPart;
use DuskRail\Document\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Grid;

/** The values as a table. */
final readonly class FiguresView extends View
{
    public function name(): string
    {
        return 'figures';
    }

    public function title(): string
    {
        return 'Figures';
    }

    public function about(): string
    {
        return 'The values as a table.';
    }

    public function hasPeers(): bool
    {
        return true;
    }

    public function parts(): array
    {
        return [FiguresPart::class];
    }

    public function isPicture(): bool
    {
        return false;
    }

    public function isWide(Study $study): bool
    {
        return true;
    }

    public function outcome(Comparison $comparison): Grid
    {
        return Grid::of($comparison);
    }

    /** The track is as under the lines that the data are of. */
    public function time(Comparison $comparison, ?Scene $picture, TextMeasure $measure, array $size): ?PlotArea
    {
        return $comparison->present() === [] ? null : $this->whole($comparison, $measure, $size[0], $size[1])->plot;
    }

    /** What is handed over as a picture is that of the lines. */
    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new LinesComposer($measure))->compose($this->lineup($comparison), $width, $height);
    }
}
