<?php

declare(strict_types=1);

namespace App\Drawing;

use App\View\BriefPage;
use DuskRail\Chart\Box;
use DuskRail\Chart\Ink;
use DuskRail\Chart\Palette;
use DuskRail\Chart\Placed;
use DuskRail\Chart\Scene;
use DuskRail\Chart\TextMeasure;
use DuskRail\Chart\Type;
use DuskRail\Chart\Words;
use DuskRail\Outcome\Comparison;
use DuskRail\Words\Wording;

/** A brief as a PDF: a cover, then each study with the text that is before it, on as many pages as it needs. */
final readonly class BriefPdf
{
    private const WIDTH = 1280.0;

    private const HEIGHT = 720.0;

    private const MARGIN = 30.0;

    public function __construct(private TextMeasure $measure) {}

    public function content(BriefPage $page, string $date): string
    {
        $scenes = [$this->cover($page, $date)];
        $text = '';
        foreach ($page->parts as $block) {
            if ($block->comparison === null || $block->wording === null || $block->problem !== '') {
                $text = trim("{$text}\n" . Wording::plain($block->text()) . $block->problem);
                continue;
            }
            $height = self::HEIGHT - $this->height($text);
            $sheets = (new Sheets($this->measure))->all($block->comparison, $block->wording, self::WIDTH, $height);
            foreach ($sheets as $sheet) {
                $scenes[] = $this->under($text, $sheet);
                $text = '';
            }
        }
        if ($text !== '') {
            $scenes[] = $this->under($text, new Scene(self::WIDTH, self::HEIGHT - $this->height($text), []));
        }

        return Picture::pages($scenes, Palette::day());
    }

    /**
     * One study as a page.
     *
     * @param float $less height that is left for something else
     */
    public function sheet(Comparison $comparison, Wording $wording, float $less): Scene
    {
        return (new Sheets($this->measure))->one($comparison, $wording, self::WIDTH, self::HEIGHT - $less);
    }

    private function cover(BriefPage $page, string $date): Scene
    {
        $marks = [
            new Box(0, 0, self::WIDTH, self::HEIGHT, Ink::Sheet),
            Words::plain(self::MARGIN, 150.0, $page->brief->name, Type::headline(44), Ink::Text),
            Words::plain(self::MARGIN, 196.0, $date, Type::text(20), Ink::Quiet),
        ];
        $y = 250.0;
        foreach ($page->parts as $block) {
            if ($block->wording !== null && $y < self::HEIGHT - 90.0) {
                $marks[] = Words::plain(
                    self::MARGIN,
                    $y,
                    mb_strimwidth($block->wording->headline, 0, 110, '…'),
                    Type::text(17),
                    Ink::Text,
                );
                $y += 27.0;
            }
        }
        foreach ($this->lines($page->cover, Type::text(14)) as $i => $line) {
            $marks[] = Words::plain(self::MARGIN, self::HEIGHT - 52.0 + 18.0 * $i, $line, Type::text(14), Ink::Quiet);
        }

        return new Scene(self::WIDTH, self::HEIGHT, $marks, null, $page->brief->name);
    }

    private function under(string $text, Scene $sheet): Scene
    {
        $room = $this->height($text);
        // All pages are of one size; what is higher is made smaller.
        $zoom = min(1.0, (self::HEIGHT - $room) / $sheet->height);
        $marks = [new Box(0, 0, self::WIDTH, self::HEIGHT, Ink::Sheet)];
        foreach ($this->lines($text, Type::text(17)) as $i => $line) {
            $marks[] = Words::plain(self::MARGIN, 40.0 + 24.0 * $i, $line, Type::text(17), Ink::Text);
        }

        return new Scene(
            self::WIDTH,
            self::HEIGHT,
            [...$marks, new Placed((self::WIDTH * (1.0 - $zoom)) / 2, $room, $sheet->marks, $zoom)],
            $sheet->plot,
            $sheet->title,
            $sheet->description,
            $sheet->scale,
            $sheet->shared,
        );
    }

    private function height(string $text): float
    {
        return $text === '' ? 0.0 : min(400.0, 30.0 + 24.0 * count($this->lines($text, Type::text(17))));
    }

    /** @return list<string> */
    private function lines(string $text, Type $type): array
    {
        $lines = [];
        foreach ($text === '' ? [] : explode("\n", $text) as $paragraph) {
            $line = '';
            foreach (explode(' ', trim($paragraph)) as $word) {
                if ($line !== '' && $this->measure->width("{$line} {$word}", $type) > self::WIDTH - 2 * self::MARGIN) {
                    $lines[] = $line;
                    $line = '';
                }
                $line = trim("{$line} {$word}");
            }
            $lines[] = $line;
        }

        return $lines;
    }
}
