<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\Band;
use DuskRail\Outcome\Chance;
use DuskRail\Outcome\Variation;
use DuskRail\Peers\PeerFigures;
use DuskRail\Time\PeriodAxis;

/** The areas behind and beyond lines: the band of the peers, the limits of chance, ordinary variation. */
final readonly class BandPainter
{
    public function __construct(private LinesPainter $painter) {}

    /** Where the middle of the quiet lines is, shaded. */
    public function band(): Group
    {
        if ($this->painter->lineup->summary->part->band === Band::Chance) {
            return $this->chanceBand();
        }
        $lines = $this->painter->lineup->summary->values;
        $band = $this->painter->lineup->summary->part->band;
        if ($band === Band::None || count($lines) < ($band === Band::Range ? 2 : 4)) {
            return new Group('band', []);
        }
        $absent = $this->painter->everywhereAbsent();
        $type = $this->painter->lineup->comparison->data->conventions->quantiles;
        $low = PeerFigures::quantile($lines, $band->tail(), $type);
        $high = PeerFigures::quantile($lines, 1 - $band->tail(), $type);
        foreach ($low as $i => $value) {
            // A logarithmic scale has no place for the whole of it.
            $high[$i] = is_nan($this->painter->scale->at($value)) ? NAN : $high[$i];
        }
        $upper = Pieces::of(array_values($high), $this->painter->plot, $this->painter->scale, $absent);
        $lower = Pieces::of($low, $this->painter->plot, $this->painter->scale, $absent);
        $outlines = [];
        foreach ($upper as $i => $piece) {
            $outlines[] = self::between($piece, $lower[$i]);
        }

        return new Group('band', [new Area($outlines, Ink::Peer, 0.45)]);
    }

    /** Between which rates the first line in focus would be by chance alone, 95 % darker than 99.8 %. */
    private function chanceBand(): Group
    {
        $comparison = $this->painter->lineup->comparison;
        $line = $comparison->focus()[0] ?? null;
        $isOfTime = $this->painter->lineup->axis instanceof PeriodAxis;
        $chance = $line !== null && $isOfTime ? Chance::of($comparison) : null;
        if ($line === null || $chance === null) {
            return new Group('band', []);
        }
        $limits = [];
        foreach (array_keys($line->values) as $i) {
            $isShown = $i >= $this->painter->plot->from && $i <= $this->painter->plot->to;
            $limits[] = $isShown
                ? $chance->limits($i, $chance->exposure($line->key, $i), $line->key)
                : array_fill(0, 4, NAN);
        }
        $areas = [];
        foreach ([[0, 3, 0.25], [1, 2, 0.4]] as [$low, $high, $opacity]) {
            $outlines = [];
            $upper = Pieces::of(array_column($limits, $high), $this->painter->plot, $this->painter->scale);
            $lower = Pieces::of(array_column($limits, $low), $this->painter->plot, $this->painter->scale);
            foreach ($upper as $n => $piece) {
                $outlines[] = self::between($piece, $lower[$n]);
            }
            $areas[] = new Area($outlines, Ink::Peer, $opacity);
        }

        // Of a small one they reach further than any line.
        return (new Group('band', $areas))->inPlot();
    }

    /**
     * The outline of what is between two lines.
     *
     * @param list<float> $upper x and y in turn
     * @param list<float> $lower likewise, of the same x
     * @return list<float>
     */
    public static function between(array $upper, array $lower): array
    {
        foreach (array_reverse(array_chunk($lower, 2)) as $point) {
            array_push($upper, ...$point);
        }

        return $upper;
    }

    /** @return list<Group> the limits that a line's own variation has, behind the lines, with its mean; none as a rule */
    public function variation(): array
    {
        $variation = $this->variationShown();
        if ($variation === null) {
            return [];
        }
        $ink = Ink::of($variation->line, Ink::Text);
        [$left, $right] = [$this->painter->plot->left, $this->painter->plot->right];
        $at = fn(float $value): float => max(
            $this->painter->plot->top,
            min($this->painter->plot->bottom, $this->painter->scale->at($value)),
        );
        [$top, $bottom] = [$at($variation->chart->upper), $at($variation->chart->lower)];
        $middle = $this->painter->scale->at($variation->chart->middle);

        return [
            new Group('variation', [
                new Box($left, $top, $right - $left, max(0.0, $bottom - $top), $ink, 0.0, 0.09),
                ...is_nan($middle) ? [] : [new Stroke([[$left, $middle, $right, $middle]], $ink, 0.7, [5.0, 4.0])],
            ]),
        ];
    }

    /** @return list<Group> rings where the rules find more than ordinary variation */
    public function beyond(): array
    {
        $variation = $this->variationShown();
        if ($variation === null) {
            return [];
        }
        $marks = [];
        foreach ($variation->beyond as $position) {
            $y = $this->painter->scale->at($variation->line->values[$position] ?? NAN);
            if (!is_nan($y) && $position >= $this->painter->plot->from && $position <= $this->painter->plot->to) {
                $ring = Shape::at(
                    'ring',
                    $this->painter->plot->x($position),
                    $y,
                    3.4,
                    Ink::of($variation->line, Ink::Text),
                );
                $marks = [...$marks, ...$ring];
            }
        }

        return $marks === [] ? [] : [new Group('beyond', $marks)];
    }

    private function variationShown(): ?Variation
    {
        // Along years merged into each other, a line has other positions than in the data.
        return $this->painter->lineup->axis instanceof PeriodAxis ? Variation::of(
            $this->painter->lineup->comparison,
        ) : null;
    }
}
