<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Study\Comparison;
use DuskRail\Study\InvalidStudy;
use DuskRail\Study\Lineup;
use DuskRail\Study\Scattered;
use DuskRail\Study\SparkTable;
use DuskRail\Study\View;
use DuskRail\Time\UnknownPeriod;

/** A comparison as one picture, in whichever view it is looked at. */
final readonly class PictureComposer
{
    public function __construct(private TextMeasure $measure) {}

    /**
     * @param float $width in pixels of the page, as the height is; the picture itself is drawn for less room where its words are large
     * @param float $height of panels and rows, which are as high as they are many, only the least
     *
     * @throws InvalidStudy|UnknownPeriod when the figures cannot be looked at that way
     */
    public function compose(Comparison $comparison, float $width, float $height): Scene
    {
        $zoom = $comparison->study->text->zoom();

        return $this->drawn($comparison, $width / $zoom, $height / $zoom)->zoomed($zoom);
    }

    private function drawn(Comparison $comparison, float $width, float $height): Scene
    {
        if ($comparison->study->isSplit()) {
            return (new PanelsComposer($this->measure))->sheet($comparison, $width);
        }

        return match ($comparison->study->view) {
            View::Stack => (new StackComposer($this->measure))->compose(Lineup::of($comparison), $width, $height),
            View::Scatter => (new ScatterComposer($this->measure))->compose(Scattered::of($comparison), $width, $height),
            View::Sparks => (new SparksComposer($this->measure))->compose(SparkTable::of($comparison->study, $comparison), $width),
            default => (new LinesComposer($this->measure))->compose(Lineup::shown($comparison), $width, $height),
        };
    }
}
