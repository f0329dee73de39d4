<?php

declare(strict_types=1);

namespace App\Drawing;

use App\Formats\TooManyValues;
use App\Models\Study;
use App\View\BriefPage;
use DuskRail\Chart\Palette;
use DuskRail\Chart\Points;
use DuskRail\Chart\TextMeasure;
use DuskRail\Document\LineState;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\ReaderChoices;
use DuskRail\Refusal;
use DuskRail\Views\Views;
use DuskRail\Words\Wording;

/**
 * A study as one file that a reader opens in a browser, to point at lines, light names up, and choose among what the
 * author leaves open. Every outcome was calculated here beforehand; the file calculates nothing and asks nobody.
 */
final readonly class ReaderFile
{
    private const WIDTH = 1000.0;

    private const HEIGHT = 460.0;

    /** Values that are told of, in all variants together; they make some 40 megabytes. */
    private const MOST = 500_000;

    public function __construct(private TextMeasure $measure) {}

    /** @param list<string> $controls what the reader may change, of ReaderChoices::CONTROLS */
    public function content(Study $study, StudyOfCore $document, array $controls): string
    {
        $data = $study->data();
        $first = Comparison::of($document, $data);
        $offered = ReaderChoices::offered($first, $controls);
        $variants = [];
        self::check([$first], count(self::combined($offered)), 'PNG, SVG or PDF');
        foreach (self::combined($offered) as $choice => $chosen) {
            try {
                $comparison = Comparison::of(ReaderChoices::read($chosen, $controls)->appliedTo($first), $data);
                $variants[$choice] = $this->drawn(
                    $comparison,
                    Views::of($comparison->study)->wording($comparison, $study->sourceLine()),
                    'v' . hash('crc32b', $choice) . '-',
                );
            } catch (Refusal) {
                // What is not possible of the data is not offered.
            }
        }
        // What no picture shows as a line of its own cannot be highlighted.
        preg_match_all('/data-line="([^"]*)"/', implode('', array_column($variants, 'svg')), $drawn);
        $names = [];
        foreach ([...$first->sorted(), ...Views::of($document)->lineup($first)->lines] as $line) {
            if ($line->state !== LineState::Off && in_array(e($line->key), $drawn[1], true)) {
                $names[$line->key] = $line->name;
            }
        }

        return view('hand-over.reader', [
            'title' => $study->name,
            'variants' => $variants,
            'now' => (string) array_key_first($variants),
            'choices' => array_map(array_values(...), $offered),
            'names' => $names,
            'marks' => self::marksIn(array_column($variants, 'svg')),
            'styles' => self::styles(),
            'script' => self::script(),
        ])->render();
    }

    /** What the page does, with what it shares with the pages of the program. */
    private static function script(): string
    {
        $shared = (string) file_get_contents(resource_path('js/lit-name.js'));

        return str_replace('export function', 'function', $shared) .
            file_get_contents(resource_path('js/reader-file.js'));
    }

    /**
     * Marks of points that a reader can switch off.
     *
     * @param list<string> $pictures
     * @return array<string, string> what they are of, by the kinds that go together
     */
    private static function marksIn(array $pictures): array
    {
        preg_match_all('/class="point-mark" data-kind="(\w+)"/', implode('', $pictures), $found);
        $pairs = [
            'first' => __('First value'),
            'highest lowest' => __('Highest and lowest'),
            'negative' => __('Below zero'),
        ];

        return array_filter(
            $pairs,
            static fn(string $kinds): bool => array_intersect(explode(' ', $kinds), $found[1]) !== [],
            ARRAY_FILTER_USE_KEY,
        );
    }

    /**
     * @param list<Comparison> $comparisons that are drawn
     * @param int $variants of each
     *
     * @throws TooManyValues
     */
    private static function check(array $comparisons, int $variants, string $instead): void
    {
        $values = 0;
        foreach ($comparisons as $one) {
            $values += self::isRead($one) ? count($one->present()) * ($one->to - $one->from + 1) * $variants : 0;
        }
        if ($values > self::MOST) {
            $instead = "Hand over {$instead}, or show a shorter range or fewer lines.";
            throw TooManyValues::in('An HTML file', $values, self::MOST, $instead);
        }
    }

    /** Whether the points of its picture say something. */
    private static function isRead(Comparison $comparison): bool
    {
        $view = Views::of($comparison->study);

        return $view->readsAlongLines() && !$view->isSplit($comparison->study);
    }

    /**
     * Every combination of choices.
     *
     * @param array<string, non-empty-array<array-key, string>> $offered label by value, by control
     * @return array<string, array<string, string>> value by control, under the labels chosen; the author's own first
     */
    private static function combined(array $offered): array
    {
        $all = ['' => []];
        foreach ($offered as $control => $options) {
            $more = [];
            foreach ($all as $so_far => $chosen) {
                foreach ($options as $value => $label) {
                    $more[trim("{$so_far} · {$label}", ' ·')] = [...$chosen, $control => (string) $value];
                }
            }
            $all = $more;
        }

        return $all;
    }

    /**
     * A brief as one such file: its studies and texts one below the other, one entity lit up in all of them.
     *
     * @throws TooManyValues
     */
    public function brief(BriefPage $page, string $date): string
    {
        self::check(array_values(array_filter(array_column($page->parts, 'comparison'))), 1, 'PDF');
        $blocks = [];
        foreach ($page->parts as $number => $part) {
            $blocks[] =
                $part->comparison === null || $part->wording === null || $part->problem !== ''
                    ? ['text' => trim("{$part->text()}\n{$part->problem}"), 'picture' => null]
                    : ['text' => '', 'picture' => $this->drawn($part->comparison, $part->wording, "b{$number}-")];
        }

        return view('hand-over.brief', [
            'title' => $page->brief->name,
            'about' => trim("{$date} · {$page->cover}", ' ·'),
            'blocks' => $blocks,
            'names' => $page->entities,
            'styles' => self::styles(),
            'script' => self::script(),
        ])->render();
    }

    /**
     * @param string $prefix of the ids within the picture
     * @return array{wording: Wording, runs: list<array{text: string, ink: string, bold: bool}>, svg: string,
     *     readouts: array<string, mixed>, periods: array<int, string>, points: array<string, mixed>, from: int}
     *     of each line what its points say, without the period where it is that of the position
     */
    private function drawn(Comparison $comparison, Wording $wording, string $prefix): array
    {
        $view = Views::of($comparison->study);
        $scene = $view->picture($comparison, $this->measure, self::WIDTH, self::HEIGHT);
        $readouts = $periods = [];
        if (self::isRead($comparison)) {
            foreach ($view->readouts($comparison) as $key => $said) {
                foreach ($said['points'] as $position => [$period]) {
                    $periods[$position] ??= $period;
                    $said['points'][$position][0] = $period === $periods[$position] ? '' : $period;
                }
                $readouts[$key] = $said;
            }
        }

        return [
            'wording' => $wording,
            'runs' => Wording::coloured($wording->marked, $comparison),
            'svg' => Svg::forScreen(
                $scene,
                ['class' => 'chart', 'role' => 'img', 'aria-label' => "{$wording->headline}. {$scene->description}"],
                $prefix,
            ),
            'readouts' => $readouts,
            'periods' => $periods,
            'points' => Points::forPage($readouts === [] ? [] : Points::of($scene)),
            'from' => $scene->plot->from ?? 0,
        ];
    }

    /** The colours of both grounds, and the fonts inside. */
    private static function styles(): string
    {
        $styles = '';
        foreach (Picture::webFonts() as $family => $path) {
            $styles .=
                "@font-face{font-family:'{$family}';font-weight:200 900;src:url(data:font/woff2;base64," .
                base64_encode((string) file_get_contents($path)) .
                ") format('woff2')}";
        }
        $night = Palette::night()->properties();

        return $styles .
            ':root{' .
            Palette::day()->properties() .
            "}@media (prefers-color-scheme: dark){:root{{$night}}}" .
            (string) file_get_contents(resource_path('css/reader-file.css'));
    }
}
