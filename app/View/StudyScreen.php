<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Study;
use DuskRail\Chart\LinesComposer;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Chart\TrackComposer;
use DuskRail\Study\Comparison;
use DuskRail\Study\View;
use DuskRail\Study\Wording;

/** All that the study page shows of one revision, worked out once. */
final readonly class StudyScreen
{
    public ?Scene $chart;

    public ?Scene $track;

    public Wording $wording;

    /** @param string $opened id of the stop whose editor is to stand open */
    private function __construct(
        public Study $study,
        public Comparison $comparison,
        TextMeasure $measure,
        SheetSize $size,
        public string $opened,
    ) {
        $this->wording = Wording::of($comparison, $study->dataset->source);
        $chart = $comparison->axis->count === 0 ? null : (new LinesComposer($measure))->compose($comparison, $size->width, $size->height);
        $this->chart = $comparison->study->view === View::Lines ? $chart : null;
        $this->track = $chart?->plot === null ? null : (new TrackComposer($measure))->compose($comparison, $chart->plot, $size->width);
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
}
