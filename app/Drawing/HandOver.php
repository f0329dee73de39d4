<?php

declare(strict_types=1);

namespace App\Drawing;

use App\Data\CarriedData;
use App\Formats\FiguresCsv;
use App\Formats\FiguresWorkbook;
use App\Models\Study;
use DuskRail\Chart\Palette;
use DuskRail\Chart\Scene;
use DuskRail\Chart\SheetComposer;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\Recording;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Document\StudyDocument;
use DuskRail\Outcome\Comparison;
use DuskRail\Refusal;
use DuskRail\Views\Views;
use DuskRail\Words\PeerStatistics;
use DuskRail\Words\Wording;

/** A study as a file to take away: the picture, the data, or the study itself. */
final readonly class HandOver
{
    /** What there is, by its ending, with the type of its content. */
    public const FORMATS = [
        'png' => 'image/png',
        'svg' => 'image/svg+xml',
        'pdf' => 'application/pdf',
        'csv' => 'text/csv; charset=UTF-8',
        'xlsx' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        'json' => 'application/json',
        'data.json' => 'application/json',
        'html' => 'text/html; charset=UTF-8',
    ];

    public function __construct(private TextMeasure $measure) {}

    /**
     * @param StudyOfCore $document of the study, or changed for the occasion
     *
     * @throws Refusal when the data cannot be looked at as the study wishes
     */
    public function content(Study $study, StudyOfCore $document, HandOverChoice $choice): string
    {
        if (in_array($choice->format, ['json', 'data.json'], true)) {
            return $this->json($study, $document, $choice->format === 'data.json');
        }
        if ($choice->format === 'html') {
            return (new ReaderFile($this->measure))->content($study, $document, $choice->controls);
        }
        $comparison = Comparison::of($document, $study->data());
        $wording = Views::of($document)->wording($comparison, $study->sourceLine());
        if ($choice->format === 'csv') {
            $view = Views::of($document);

            return FiguresCsv::write($view->lineup($comparison), $wording, $view->values($comparison));
        }
        if ($choice->format === 'xlsx') {
            return FiguresWorkbook::write(
                $wording,
                Views::of($document)->values($comparison),
                PeerStatistics::table($comparison),
            );
        }
        $palette = $choice->night ? Palette::night() : Palette::day();
        if ($choice->format === 'pdf') {
            return Picture::pages($this->sheets($comparison, $wording, ...$choice->size), $palette);
        }
        $picture = new Picture($this->sheet($comparison, $wording, ...$choice->size), $palette);

        return $choice->format === 'png' ? $picture->png($choice->times) : $picture->svg();
    }

    /**
     * A study as pages of one size, each with its words.
     *
     * @return non-empty-list<Scene>
     */
    public function sheets(Comparison $comparison, Wording $wording, float $width, float $height): array
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

    /** A study as one picture with its words. */
    public function sheet(Comparison $comparison, Wording $wording, float $width, float $height): Scene
    {
        return (new SheetComposer($this->measure))->compose(
            $comparison,
            $wording,
            $width,
            $height,
            fn(float $inner, float $room): Scene => Views::of($comparison->study)->picture(
                $comparison,
                $this->measure,
                $inner,
                $room,
            ),
        );
    }

    private function json(Study $study, StudyOfCore $document, bool $withFigures): string
    {
        $written = StudyDocument::write($document);
        if ($withFigures) {
            $written['data'] = $this->carried($study, $document);
        }
        $flags = JSON_PRESERVE_ZERO_FRACTION | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;

        return json_encode($written, $flags | JSON_THROW_ON_ERROR) . "\n";
    }

    /** @return array<string, mixed> the data that the study is made of */
    private function carried(Study $study, StudyOfCore $document): array
    {
        $recording = new Recording($study->data());
        $comparison = Comparison::of($document, $recording);
        try {
            Views::of($comparison->study)->picture($comparison, $this->measure, 900.0, 400.0);
        } catch (Refusal) {
            // A picture that cannot be drawn asks for no further values.
        }

        return CarriedData::write($study->data(), $recording->asked());
    }
}
