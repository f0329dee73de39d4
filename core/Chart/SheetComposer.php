<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\TextPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Words\Wording;

/** A whole sheet as one picture, to hand over: headline, subtitle, chart and source. */
final readonly class SheetComposer
{
    private const MARGIN = 30.0;

    private const BOLD = 800;

    public function __construct(private TextMeasure $measure) {}

    /** @param callable(float, float): Scene $picture drawn for the width and height that are left for it */
    public function compose(
        Comparison $comparison,
        Wording $wording,
        float $width,
        float $height,
        callable $picture,
    ): Scene {
        $inner = $width - 2 * self::MARGIN;
        $zoom = $comparison->study->part(TextPart::class)->zoom();
        $headline = Type::headline(27 * $zoom);
        [$under, $small] = [Type::text(16 * $zoom), Type::text(13 * $zoom)];
        $marks = [];
        $y = 19.0 + 27.0 * $zoom;
        foreach ($this->wrapped(Wording::coloured($wording->marked, $comparison), $headline, $inner) as $runs) {
            $marks[] = Words::runs(0, $y, $runs, $headline);
            $y += 32.0 * $zoom;
        }
        $y -= 4.0;
        foreach ($this->wrapped(self::plain($wording->subtitle), $under, $inner, Ink::Quiet) as $runs) {
            $marks[] = Words::runs(0, $y, $runs, $under);
            $y += 21.0 * $zoom;
        }
        $source = $this->wrapped(self::plain($wording->source), $small, $inner, Ink::Quiet);
        $foot = 17.0 * $zoom * count($source) + 14.0;
        $chart = $picture($inner, max(160.0, $height - $y - $foot));
        // Many panels or rows need more height than was given.
        $height = max($height, $y + $chart->height * $zoom + $foot);
        $marks[] = new Placed(0, $y - 6.0, $chart->marks, $chart->zoom);
        foreach ($source as $line => $runs) {
            $marks[] = Words::runs(0, $height - $foot + 6.0 + 17.0 * $zoom * $line, $runs, $small);
        }

        return new Scene(
            $width,
            $height,
            [new Box(0, 0, $width, $height, Ink::Sheet), new Placed(self::MARGIN, 0, $marks)],
            $chart->plot,
            $wording->headline,
            "{$wording->subtitle}. {$chart->description}",
            $chart->scale,
            $chart->shared,
        );
    }

    /** @return list<array{text: string, ink: string, bold: bool}> */
    private static function plain(string $text): array
    {
        return [['text' => $text, 'ink' => '', 'bold' => false]];
    }

    /**
     * Breaks text into lines that fit, at spaces and where the writer broke it.
     *
     * @param list<array{text: string, ink: string, bold: bool}> $parts
     * @return list<list<array{text: string, ink: Ink, weight: int}>>
     */
    private function wrapped(array $parts, Type $type, float $room, Ink $plain = Ink::Text): array
    {
        $lines = [];
        $line = [];
        $used = 0.0;
        foreach ($parts as $part) {
            $drawn = $part['bold'] ? Type::headline($type->size, self::BOLD) : $type;
            foreach (
                preg_split('/(\n)|(?<= )/', $part['text'], -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: []
                as $word
            ) {
                $wide = $this->measure->width(rtrim($word), $drawn);
                if ($word === "\n" || ($used > 0.0 && $used + $wide > $room)) {
                    $lines[] = $line;
                    [$line, $used] = [[], 0.0];
                }
                if ($word !== "\n") {
                    $line[] = [
                        'text' => $word,
                        'ink' => Ink::tryFrom($part['ink']) ?? $plain,
                        'weight' => $drawn->weight,
                    ];
                    $used += $this->measure->width($word, $drawn);
                }
            }
        }
        $lines[] = $line;

        return array_values(array_filter($lines, static fn(array $l): bool => $l !== []));
    }
}
