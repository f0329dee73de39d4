<?php

declare(strict_types=1);

namespace App\Drawing;

use DuskRail\Chart\Scene;
use DuskRail\Chart\SheetComposer;
use DuskRail\Chart\TextMeasure;
use DuskRail\Outcome\Comparison;
use DuskRail\Views\Views;
use DuskRail\Words\Wording;

/** A comparison as pictures with its headline, subtitle and source around it. */
final readonly class Sheets
{
    public function __construct(private TextMeasure $measure) {}

    /**
     * Pages of one size, each with its words.
     *
     * @return non-empty-list<Scene>
     */
    public function all(Comparison $comparison, Wording $wording, float $width, float $height): array
    {
        $pages = $sheets = [];
        do {
            $at = count($sheets);
            $sheets[] = (new SheetComposer($this->measure))->compose($comparison, $wording, $width, $height, function (
                float $inner,
                float $room,
            ) use ($comparison, $at, &$pages): Scene {
                if ($at === 0) {
                    $pages = Views::of($comparison->study)->pages($comparison, $this->measure, $inner, $room);
                }

                return $pages[$at];
            });
        } while (count($sheets) < count($pages));

        return $sheets;
    }

    /** One picture with its words. */
    public function one(Comparison $comparison, Wording $wording, float $width, float $height): Scene
    {
        $view = Views::of($comparison->study);
        $draw = fn(float $inner, float $room): Scene => $view->picture($comparison, $this->measure, $inner, $room);

        return (new SheetComposer($this->measure))->compose($comparison, $wording, $width, $height, $draw);
    }
}
