<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Study;
use DomainException;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\PanelsComposer;
use DuskRail\Chart\PictureComposer;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Chart\TrackComposer;
use DuskRail\Study\Comparison;
use DuskRail\Study\Grid;
use DuskRail\Study\Lineup;
use DuskRail\Study\Scattered;
use DuskRail\Study\SparkTable;
use DuskRail\Study\View;
use DuskRail\Study\Wording;

/** All that the study page shows of one revision, worked out once. */
final readonly class StudyScreen
{
    /** The lines that are seen: entities, measures, or years. */
    public Lineup $lineup;

    /** The picture, where it is one. */
    public ?Scene $chart;

    /** @var list<Scene> rows of panels, where it is split */
    public array $rows;

    public ?SparkTable $sparks;

    public ?Scattered $scatter;

    public ?Grid $grid;

    /** Whose rail is shown: the study's own, or that of a scatter's horizontal axis. */
    public Comparison $railed;

    public ?Scene $track;

    /** Pixels that the picture was drawn for. */
    public float $width;

    public Wording $wording;

    /** Why the figures cannot be looked at this way, and what to do instead; or nothing. */
    public string $refusal;

    /** @param string $opened id of the stop whose editor is to stand open */
    private function __construct(
        public Study $study,
        public Comparison $comparison,
        TextMeasure $measure,
        SheetSize $size,
        public string $opened,
    ) {
        $document = $comparison->study;
        $this->width = $size->width;
        $lineup = Lineup::of($comparison);
        $chart = $sparks = $scatter = $grid = null;
        $rows = [];
        $refusal = match (true) {
            $comparison->lines === [] => 'This measure has no figures yet. Add a file that holds them on the data page.',
            $comparison->present() === [] => 'Every line is off. Bring one back in the roster.',
            default => '',
        };
        try {
            $lineup = Lineup::shown($comparison);
            $scatter = $document->view === View::Scatter ? Scattered::of($comparison) : null;
            if ($refusal === '' && $comparison->axis->count > 0) {
                $grid = $document->view === View::Figures ? Grid::of($comparison) : null;
                $sparks = $document->view === View::Sparks ? SparkTable::of($document, $comparison) : null;
                $rows = $document->isSplit() ? array_map(static fn(Scene $row): Scene => $row->zoomed($document->text->zoom()), (new PanelsComposer($measure))->rows($comparison, $size->width / $document->text->zoom())) : [];
                $refusal = $document->isSplit() && $rows === [] ? 'There is nothing to split that way. Choose another split under “Panels”, or one picture.' : '';
                $chart = ! $document->isSplit() && ! in_array($document->view, [View::Sparks, View::Figures], true)
                    ? (new PictureComposer($measure))->compose($comparison, $size->width, $size->height)
                    : null;
            }
        } catch (DomainException $problem) {
            $refusal = $problem->getMessage();
        }
        $this->lineup = $lineup;
        $this->sparks = $sparks;
        $this->scatter = $scatter;
        $this->grid = $grid;
        $this->rows = $rows;
        $this->chart = $chart;
        $this->refusal = $refusal;
        $this->railed = $scatter !== null && $document->scatter->editing === 'x' ? $scatter->horizontal : $comparison;
        $this->wording = Wording::of($comparison, $study->sourceLine());
        $this->track = $comparison->axis->count === 0 ? null : (new TrackComposer($measure))->compose($comparison, self::trackEdges($comparison, $chart, $measure, $size), $size->width);
    }

    public static function of(Study $study, SheetSize $size, TextMeasure $measure): self
    {
        return self::showing(Comparison::of($study->document(), $study->data()), $study, $size, $measure);
    }

    /** A comparison that was made already, of a document that need not be a revision of the study. */
    public static function showing(Comparison $comparison, Study $study, SheetSize $size, TextMeasure $measure, string $opened = ''): self
    {
        return new self($study, $comparison, $measure, $size, $opened);
    }

    /** The strip of time lines up with the chart where that has the same time along it. */
    private static function trackEdges(Comparison $comparison, ?Scene $chart, TextMeasure $measure, SheetSize $size): PlotArea
    {
        if ($chart?->plot !== null && in_array($comparison->study->view, [View::Lines, View::Stack], true)) {
            return $chart->plot->enlarged($chart->zoom);
        }
        if ($comparison->study->view === View::Figures && $comparison->present() !== []) {
            return (new LinesComposer($measure))->compose(Lineup::of($comparison), $size->width, $size->height)->plot ?? new PlotArea(20.0, $size->width - 20.0, 0.0, 1.0, 0, 1);
        }

        return new PlotArea(20.0, $size->width - 20.0, 0.0, 1.0, 0, 1);
    }
}
