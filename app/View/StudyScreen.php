<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Study;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Chart\TrackComposer;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Lineup;
use DuskRail\Refusal;
use DuskRail\Views\View;
use DuskRail\Views\Views;
use DuskRail\Words\Wording;

/** All that the study page shows of one revision, calculated once. */
final readonly class StudyScreen
{
    public View $view;

    /** The lines that are seen: entities, measures, or years. */
    public Lineup $lineup;

    /** The picture, where it is one. */
    public ?Scene $chart;

    /** @var list<Scene> rows of panels, where it is split */
    public array $rows;

    /** What the view shows in a way of its own: a table, points. */
    public ?object $outcome;

    /** Whose rail is shown: the study's own, or another that the view has. */
    public Comparison $railed;

    public ?Scene $track;

    /** Pixels that the picture was drawn for. */
    public float $width;

    /** The same; 0 for rows of panels that are as high as they are many, whatever the height of the window. */
    public float $height;

    public Wording $wording;

    /** Why the data cannot be looked at this way, and what to do instead; or nothing. */
    public string $refusal;

    /** @param string $added id of an editor that is to be opened */
    private function __construct(
        public Study $study,
        public Comparison $comparison,
        TextMeasure $measure,
        SheetSize $size,
        public OpenEditors $open,
        public string $added,
    ) {
        $this->view = $view = Views::of($comparison->study);
        $this->width = $size->width;
        [$lineup, $railed] = [Lineup::of($comparison), $comparison];
        $outcome = $chart = null;
        $rows = [];
        $refusal = match (true) {
            $comparison->lines === [] => __(
                'This measure has no values. Import a file with values on the page of the data set.',
            ),
            $comparison->present() === [] => __('All lines are hidden. Show one in the roster.'),
            default => '',
        };
        try {
            $lineup = $view->lineup($comparison);
            $railed = $view->railed($comparison);
            if ($refusal === '' && $comparison->axis->count > 0) {
                $split = $view->isSplit($comparison->study);
                $outcome = $view->outcome($comparison);
                $rows = $split ? $view->panels($comparison, $measure, $size->width, $size->height) : [];
                $chart =
                    !$split && $view->isPicture()
                        ? $view->picture($comparison, $measure, $size->width, $size->height)
                        : null;
                $refusal =
                    $split && $rows === []
                        ? __('There are no panels for this split. Choose another under “Panel options”.')
                        : '';
            }
        } catch (Refusal $problem) {
            $refusal = $problem->getMessage();
        }
        $this->lineup = $lineup;
        $this->railed = $railed;
        $this->outcome = $outcome;
        $this->rows = $rows;
        $this->chart = $chart;
        // The height that it was drawn for: larger words are drawn for less room and enlarged.
        $this->height = $chart !== null || in_array(count($rows), [1, 2], true) ? $size->height : 0.0;
        $this->refusal = $refusal;
        $this->wording = $view->wording($comparison, $study->sourceLine());
        $this->track = $comparison->axis->count === 0 ? null : $this->track($measure, $size);
    }

    public static function of(Study $study, SheetSize $size, TextMeasure $measure, OpenEditors $open): self
    {
        return self::showing(Comparison::of($study->document(), $study->data()), $study, $size, $measure, $open);
    }

    /** A comparison that was calculated already, of a document that need not be a revision of the study. */
    public static function showing(
        Comparison $comparison,
        Study $study,
        SheetSize $size,
        TextMeasure $measure,
        OpenEditors $open,
        string $added = '',
    ): self {
        return new self($study, $comparison, $measure, $size, $added === '' ? $open : $open->with($added), $added);
    }

    /** The strip of time lines up with the chart where that has the same time along it. */
    private function track(TextMeasure $measure, SheetSize $size): Scene
    {
        $time = $this->view->time($this->comparison, $this->chart, $measure, [$size->width, $size->height]);
        $edges = $time ?? new PlotArea(20.0, $size->width - 20.0, 0.0, 1.0, 0, 1);

        return (new TrackComposer($measure))->compose($this->comparison, $edges, $size->width);
    }
}
