<?php

declare(strict_types=1);

namespace App\Drawing;

use App\Data\CarriedData;
use App\Models\Study;
use DuskRail\Chart\Palette;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\Recording;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Document\StudyDocument;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\ValueTable;
use DuskRail\Refusal;
use DuskRail\Views\View;
use DuskRail\Views\Views;
use DuskRail\Words\Wording;

/** A study that is handed over, and all that a format (see Out) makes its file of. */
final class HandOver
{
    private ?Comparison $comparison = null;

    /** @param StudyOfCore $document of the study, or changed for the occasion */
    public function __construct(
        public readonly Study $study,
        public readonly StudyOfCore $document,
        public readonly HandOverChoice $choice,
        public readonly TextMeasure $measure,
    ) {}

    /** @throws Refusal when the data cannot be looked at as the study asks */
    public function comparison(): Comparison
    {
        return $this->comparison ??= Comparison::of($this->document, $this->study->data());
    }

    public function view(): View
    {
        return Views::of($this->document);
    }

    public function wording(): Wording
    {
        return $this->view()->wording($this->comparison(), $this->study->sourceLine());
    }

    public function values(): ValueTable
    {
        return $this->view()->values($this->comparison());
    }

    public function palette(): Palette
    {
        return $this->choice->night ? Palette::night() : Palette::day();
    }

    /** The study as one picture with its words. */
    public function picture(): Picture
    {
        $sheet = (new Sheets($this->measure))->one($this->comparison(), $this->wording(), ...$this->choice->size);

        return new Picture($sheet, $this->palette());
    }

    /** @return non-empty-list<Scene> pages of one size, each with its words */
    public function sheets(float $width, float $height): array
    {
        return (new Sheets($this->measure))->all($this->comparison(), $this->wording(), $width, $height);
    }

    /** The study document as JSON, alone or with the data that it is calculated on. */
    public function studyFile(bool $withData): string
    {
        $written = StudyDocument::write($this->document);
        if ($withData) {
            $written['data'] = $this->carried();
        }
        $flags = JSON_PRESERVE_ZERO_FRACTION | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;

        return json_encode($written, $flags | JSON_THROW_ON_ERROR) . "\n";
    }

    /** @return array<string, mixed> the data that the study is made of */
    private function carried(): array
    {
        $recording = new Recording($this->study->data());
        $comparison = Comparison::of($this->document, $recording);
        try {
            Views::of($comparison->study)->picture($comparison, $this->measure, 900.0, 400.0);
        } catch (Refusal) {
            // A picture that cannot be drawn asks for no further values.
        }

        return CarriedData::write($this->study->data(), $recording->asked());
    }
}
