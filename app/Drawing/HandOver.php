<?php

declare(strict_types=1);

namespace App\Drawing;

use App\Data\CarriedData;
use App\Formats\FiguresCsv;
use App\Formats\FiguresWorkbook;
use App\Models\Study;
use DomainException;
use DuskRail\Chart\Palette;
use DuskRail\Chart\PictureComposer;
use DuskRail\Chart\Scene;
use DuskRail\Chart\SheetComposer;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\Recording;
use DuskRail\Study\Comparison;
use DuskRail\Study\Study as StudyOfCore;
use DuskRail\Study\StudyDocument;
use DuskRail\Study\Wording;

/** A study as a file to take away: the picture, the figures, or the study itself. */
final readonly class HandOver
{
    /** What there is, by its ending, with the type of its content. */
    public const FORMATS = [
        'png' => 'image/png', 'svg' => 'image/svg+xml', 'pdf' => 'application/pdf', 'csv' => 'text/csv; charset=UTF-8', 'xlsx' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', 'json' => 'application/json', 'data.json' => 'application/json', 'html' => 'text/html; charset=UTF-8',
    ];

    public function __construct(private TextMeasure $measure) {}

    /**
     * @param StudyOfCore $document of the study, or changed for the occasion
     * @param array{float, float} $size width and height of a picture
     * @param int $times pixels of a PNG for one of the picture
     * @param list<string> $controls what the reader of an HTML file may change, of ReaderChoices::CONTROLS
     */
    public function content(Study $study, StudyOfCore $document, string $format, array $size, int $times, bool $night, array $controls = []): string
    {
        if (in_array($format, ['json', 'data.json'], true)) {
            return json_encode([...StudyDocument::write($document), ...($format === 'json' ? [] : ['data' => $this->carried($study, $document)])], JSON_PRESERVE_ZERO_FRACTION | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
        }
        if ($format === 'html') {
            return (new ReaderFile($this->measure))->content($study, $document, $controls);
        }
        $comparison = Comparison::of($document, $study->data());
        $wording = Wording::of($comparison, $study->sourceLine());
        if ($format === 'csv') {
            return FiguresCsv::write($comparison, $wording);
        }
        if ($format === 'xlsx') {
            return FiguresWorkbook::write($comparison, $wording);
        }
        $scene = (new SheetComposer($this->measure))->compose(
            $comparison,
            $wording,
            $size[0],
            $size[1],
            fn(float $width, float $height): Scene => (new PictureComposer($this->measure))->compose($comparison, $width, $height),
        );
        $picture = new Picture($scene, $night ? Palette::night() : Palette::day());

        return match ($format) {
            'png' => $picture->png($times),
            'pdf' => $picture->pdf(),
            default => $picture->svg(),
        };
    }

    /** @return array<string, mixed> the figures that the study is made of */
    private function carried(Study $study, StudyOfCore $document): array
    {
        $recording = new Recording($study->data());
        $comparison = Comparison::of($document, $recording);
        try {
            (new PictureComposer($this->measure))->compose($comparison, 900.0, 400.0);
        } catch (DomainException) {
            // A picture that cannot be drawn asks for no further figures.
        }

        return CarriedData::write($study->dataset, $recording->asked());
    }
}
