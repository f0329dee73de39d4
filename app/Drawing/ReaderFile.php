<?php

declare(strict_types=1);

namespace App\Drawing;

use App\Models\Study;
use DomainException;
use DuskRail\Chart\Palette;
use DuskRail\Chart\PictureComposer;
use DuskRail\Chart\TextMeasure;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Stops\IndexToBase;
use DuskRail\Rail\Stops\Rolling;
use DuskRail\Study\Comparison;
use DuskRail\Study\LineState;
use DuskRail\Study\Lineup;
use DuskRail\Study\Readout;
use DuskRail\Study\Study as StudyOfCore;
use DuskRail\Study\View;
use DuskRail\Study\Wording;

/**
 * A study as one file that a reader opens in a browser: she points at lines, lights names up, and chooses among what the
 * author lets her choose. Every outcome was calculated here beforehand; the file calculates nothing and asks nobody.
 */
final readonly class ReaderFile
{
    private const WIDTH = 1000.0;

    private const HEIGHT = 460.0;

    /** Windows that a reader may choose among, beside the author's own. */
    private const WINDOWS = [6, 24];

    /** Years that a reader may choose as the base, the author's own among them. */
    private const BASES = 8;

    public function __construct(private TextMeasure $measure) {}

    /** @param list<string> $controls what the reader may change: `base`, `window` */
    public function content(Study $study, StudyOfCore $document, array $controls): string
    {
        $data = $study->data();
        $first = Comparison::of($document, $data);
        $choices = $this->choices($first, $controls);
        $variants = [];
        foreach ($this->combined($document, $choices) as $choice => $changed) {
            try {
                $variants[$choice] = $this->variant(Comparison::of($changed, $data), $study->dataset->source, $choice);
            } catch (DomainException) {
                // What makes no sense of the data is not offered.
            }
        }
        $names = [];
        foreach ($first->sorted() as $line) {
            if ($line->state !== LineState::Off) {
                $names[$line->key] = $line->name;
            }
        }

        return view('hand-over.reader', [
            'title' => $study->name,
            'variants' => $variants,
            'now' => (string) array_key_first($variants),
            'choices' => array_map(array_keys(...), $choices),
            'names' => $names,
            'styles' => self::styles(),
            'script' => (string) file_get_contents(resource_path('js/reader-file.js')),
        ])->render();
    }

    /**
     * What can be chosen of each stop: its settings by the label it then has, the author's own first.
     *
     * @param list<string> $controls
     * @return array<string, non-empty-array<string, PlacedStop>> by id of the stop
     */
    private function choices(Comparison $comparison, array $controls): array
    {
        $axis = $comparison->axis;
        $choices = [];
        foreach ($comparison->run->legs as $leg) {
            $placed = $leg->placed;
            $own = [$placed->stop->label($leg->arriving, $comparison->data) => $placed];
            $others = [];
            if (in_array('base', $controls, true) && $placed->stop instanceof IndexToBase && $placed->stop->base() !== null && $axis->count > 0) {
                $year = $placed->stop->base()->first->yearNumber();
                $years = array_values(array_diff(range($axis->period(0)->yearNumber(), $axis->period($axis->count - 1)->yearNumber()), [$year]));
                usort($years, static fn(int $a, int $b): int => abs($a - $year) <=> abs($b - $year));
                $years = array_slice($years, 0, self::BASES - 1);
                sort($years);
                $others = array_map(static fn(int $y): array => ['base' => sprintf('%04d', $y)], $years);
            } elseif (in_array('window', $controls, true) && $placed->stop instanceof Rolling) {
                $others = array_map(static fn(int $window): array => ['window' => $window, 'needed' => 'all'], self::WINDOWS);
            }
            foreach ($others as $change) {
                $stop = StopCatalogue::make($placed->stop::type(), [...$placed->stop->settings(), ...$change]);
                $own[$stop->label($leg->arriving, $comparison->data)] ??= new PlacedStop($placed->id, $stop, $placed->bypassed);
            }
            if (count($own) > 1) {
                $choices[$placed->id] = $own;
            }
        }

        return $choices;
    }

    /**
     * The study for every combination of choices.
     *
     * @param array<string, non-empty-array<string, PlacedStop>> $choices
     * @return array<string, StudyOfCore> by the labels chosen, the author's own first
     */
    private function combined(StudyOfCore $document, array $choices): array
    {
        $studies = ['' => $document];
        foreach ($choices as $options) {
            $more = [];
            foreach ($studies as $so_far => $study) {
                foreach ($options as $label => $placed) {
                    $more[trim("{$so_far} · {$label}", ' ·')] = $study->with(['rail' => $study->rail->replacing($placed)]);
                }
            }
            $studies = $more;
        }

        return $studies;
    }

    /** @return array{wording: Wording, runs: list<array{text: string, hue: int}>, svg: string, readouts: array<string, mixed>, plot: array<string, float|int>} */
    private function variant(Comparison $comparison, string $source, string $choice): array
    {
        $wording = Wording::of($comparison, $source);
        $scene = (new PictureComposer($this->measure))->compose($comparison, self::WIDTH, self::HEIGHT);
        $readouts = [];
        if (in_array($comparison->study->view, [View::Lines, View::Overlay, View::Stack], true) && ! $comparison->study->isSplit()) {
            $lineup = Lineup::shown($comparison);
            foreach ($lineup->present() as $line) {
                $readouts[$line->key] = Readout::along($lineup, $line);
            }
        }

        return [
            'wording' => $wording,
            'runs' => Wording::coloured($wording->headline, $comparison),
            'svg' => Svg::forScreen($scene, ['class' => 'chart', 'role' => 'img', 'aria-label' => "{$wording->headline}. {$scene->description}"], 'v'.hash('crc32b', $choice).'-'),
            'readouts' => $readouts,
            'plot' => $scene->plot === null ? [] : ['left' => $scene->plot->left, 'step' => $scene->plot->step(), 'from' => $scene->plot->from, 'to' => $scene->plot->to],
        ];
    }

    /** The colours of both grounds, and the fonts inside. */
    private static function styles(): string
    {
        $styles = '';
        foreach (Picture::webFonts() as $family => $path) {
            $styles .= "@font-face{font-family:'{$family}';font-weight:200 900;src:url(data:font/woff2;base64,".base64_encode((string) file_get_contents($path)).") format('woff2')}";
        }
        $night = Palette::night()->properties();

        return $styles.':root{'.Palette::day()->properties()."}@media (prefers-color-scheme: dark){:root{{$night}}}".(string) file_get_contents(resource_path('css/reader-file.css'));
    }
}
