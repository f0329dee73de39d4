<?php

declare(strict_types=1);

namespace App\View;

use App\Drawing\Svg;
use App\Models\Study;
use App\Models\StudyRevision;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\StudyDocument;
use DuskRail\Outcome\Comparison;
use DuskRail\Refusal;
use DuskRail\Views\Views;

/** A small picture of a state that a study was in. */
final class StepPicture
{
    private const SIZE = [132.0, 64.0];

    /** @return string SVG; nothing where that state cannot be drawn on the data of now */
    public static function of(Study $study, StudyRevision $step): string
    {
        try {
            $comparison = Comparison::of(StudyDocument::read($step->document), $study->data());
            if ($comparison->axis->count === 0 || $comparison->present() === []) {
                return '';
            }
            $scene = Views::of($comparison->study)->miniature($comparison, app(TextMeasure::class), ...self::SIZE);
        } catch (Refusal) {
            return '';
        }

        return Svg::forScreen($scene, ['aria-hidden' => 'true'], "step-{$step->id}-");
    }
}
