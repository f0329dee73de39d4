<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Peers\PeerFigures;
use DuskRail\Study\Band;
use DuskRail\Study\Comparison;
use DuskRail\Study\Line;
use DuskRail\Study\LineState;

/** The Lines view: focus lines in colour before quiet peers, named and valued at their ends. */
final readonly class LinesComposer
{
    /** Up to so many lines each is named at its end; with more, only those in focus and the median. */
    private const NAME_ALL = 8;

    /** In a thicket of more points than this, nobody can tell half a pixel, and a tenth costs twice the bytes. */
    private const MANY_POINTS = 100_000;

    private const LABEL_HEIGHT = 20.0;

    public function __construct(private TextMeasure $measure) {}

    public function compose(Comparison $comparison, float $width, float $height): Scene
    {
        $narrow = $width < 560;
        $axisType = Type::text($narrow ? 12.5 : 13.5);
        $scale = $this->scale($comparison, $height - $this->timeRoom($comparison, $width, $axisType));
        $ticks = Ticks::between(min($scale->low, $scale->high), max($scale->low, $scale->high), max(2, (int) (($scale->atLow - $scale->atHigh) / 62)));
        $ends = $this->ends($comparison, Type::text($narrow ? 14 : 15.5, 700), $width * ($narrow ? 0.3 : 0.34));
        $left = 14.0 + max([0.0, ...array_map(fn(float $v): float => $this->measure->width($ticks->label($v), $axisType), $ticks->values)]);
        $right = $width - ($ends === [] ? 18.0 : 26.0 + max(array_column($ends, 'width')));
        $plot = new PlotArea($left, max($left + 40.0, $right), $scale->atHigh, $scale->atLow, $comparison->from, $comparison->to);

        return new Scene($width, $height, [
            $this->base($comparison, $plot),
            self::band($comparison, $plot, $scale),
            $this->valueAxis($ticks, $scale, $plot, $axisType),
            $this->baseLabel($comparison, $plot),
            $this->timeAxis($comparison, $plot, $axisType),
            ...$this->lines($comparison, $plot, $scale),
            $this->target($comparison, $plot, $scale),
            ...$this->endLabels($ends, $comparison, $plot, $scale, $height),
        ], $plot, $comparison->measure->name, Summary::of($comparison));
    }

    /** Height under the lines: for one row of words, or for two where the year is said below the month. */
    private function timeRoom(Comparison $comparison, float $width, Type $type): float
    {
        $step = 0.8 * $width / max(1, $comparison->to - $comparison->from);
        $ticks = TimeTicks::along($comparison->axis, $comparison->from, $comparison->to, $step, fn(string $text): float => $this->measure->width($text, $type));

        return array_filter($ticks, static fn(TimeTick $tick): bool => $tick->below !== '') === [] ? 30.0 : 46.0;
    }

    private function scale(Comparison $comparison, float $bottom): Scale
    {
        [$low, $high] = $comparison->extremes();
        $target = $comparison->study->peers->target;
        if ($target !== null && $low <= $high) {
            [$low, $high] = [min($low, $target), max($high, $target)];
        }
        if ($comparison->run->table()->unit->text() === 'rank' && $low <= $high) {
            // The first place is on top.
            return new Scale($high + 0.5, 0.5, $bottom, 14.0);
        }
        $scale = Scale::vertical($low <= $high ? [$low, $high] : [], $bottom, 14.0);

        return $comparison->study->fromZero && $scale->low > 0.0 ? new Scale(0.0, $scale->high, $bottom, 14.0) : $scale;
    }

    /** The span that is 100 on average, shaded. */
    private function base(Comparison $comparison, PlotArea $plot): Group
    {
        $span = self::baseSpan($comparison, $plot);

        return new Group('base', $span === null ? [] : [
            new Box($span[0], $plot->top, $span[1] - $span[0], $plot->bottom - $plot->top, Ink::Tint),
        ]);
    }

    /** Where the middle of the peers lies, shaded. */
    private static function band(Comparison $comparison, PlotArea $plot, Scale $scale): Group
    {
        $peers = $comparison->summarised();
        if ($comparison->study->peers->band === Band::None || count($peers) < 4) {
            return new Group('band', []);
        }
        $tail = $comparison->study->peers->band->tail();
        $upper = Pieces::of(PeerFigures::quantile($peers, 1 - $tail), $plot, $scale);
        $lower = Pieces::of(PeerFigures::quantile($peers, $tail), $plot, $scale);
        $outlines = [];
        foreach ($upper as $i => $piece) {
            foreach (array_reverse(array_chunk($lower[$i], 2)) as $point) {
                array_push($piece, ...$point);
            }
            $outlines[] = $piece;
        }

        return new Group('band', [new Area($outlines, Ink::Peer, 0.45)]);
    }

    /** Its name, on a ground of its own so that no gridline runs through the words. */
    private function baseLabel(Comparison $comparison, PlotArea $plot): Group
    {
        $span = self::baseSpan($comparison, $plot);
        $base = $comparison->base();
        if ($span === null || $base === null) {
            return new Group('base-label', []);
        }
        $type = Type::text(13);
        $text = "base {$base->label()}";
        $room = $this->measure->width($text, $type) / 2 + 3.0;
        $x = min(max(($span[0] + $span[1]) / 2, $plot->left + $room), $plot->right - $room);

        return new Group('base-label', [
            new Box($x - $room, $plot->top + 2.0, 2 * $room, 17.0, Ink::Tint),
            Words::plain($x, $plot->top + 15.0, $text, $type, Ink::Quiet, 'middle'),
        ]);
    }

    /** What everybody is to reach. */
    private function target(Comparison $comparison, PlotArea $plot, Scale $scale): Group
    {
        $target = $comparison->study->peers->target;
        if ($target === null) {
            return new Group('target', []);
        }
        $type = Type::text(13, 600);
        $text = "target {$comparison->format($target)}";
        $y = round($scale->at($target)) + 0.5;
        $room = $this->measure->width($text, $type) + 6.0;

        return new Group('target', [
            new Stroke([[$plot->left, $y, $plot->right, $y]], Ink::Rail, 1.5, [7.0, 4.0]),
            new Box($plot->left + 2.0, $y - 19.0, $room, 17.0, Ink::Sheet, 0, 0.8),
            Words::plain($plot->left + 5.0, $y - 6.0, $text, $type, Ink::Rail),
        ]);
    }

    /** @return array{float, float}|null left and right edge of the base, as far as it is shown */
    private static function baseSpan(Comparison $comparison, PlotArea $plot): ?array
    {
        $base = $comparison->base();
        $positions = $base === null ? null : $comparison->axis->positions($base);
        if ($positions === null || $positions[1] < $plot->from || $positions[0] > $plot->to) {
            return null;
        }
        $one = $positions[0] === $positions[1];
        $half = max(2.0, min(6.0, $plot->step() / 2));
        $left = max($plot->left, $plot->x($positions[0]) - ($one ? $half : 0.0));

        return [$left, max($left + 1.0, min($plot->right, $plot->x($positions[1]) + ($one ? $half : $plot->step())))];
    }

    private function valueAxis(Ticks $ticks, Scale $scale, PlotArea $plot, Type $type): Group
    {
        $marks = [];
        foreach ($ticks->values as $value) {
            $y = round($scale->at($value)) + 0.5;
            $zero = abs($value) < 1e-12;
            $marks[] = new Stroke([[$plot->left, $y, $plot->right, $y]], $zero ? Ink::Median : Ink::Hair, 1.0);
            $marks[] = Words::plain($plot->left - 8, $y + 4.5, $ticks->label($value), $type, Ink::Quiet, 'end');
        }

        return new Group('value-axis', $marks);
    }

    private function timeAxis(Comparison $comparison, PlotArea $plot, Type $type): Group
    {
        $marks = [];
        $width = fn(string $text): float => $this->measure->width($text, $type);
        $small = Type::text($type->size - 1);
        foreach (TimeTicks::along($comparison->axis, $plot->from, $plot->to, $plot->step(), $width) as $tick) {
            if ($tick->edge !== null) {
                $x = round($plot->left + $tick->edge * $plot->step()) + 0.5;
                $marks[] = new Stroke([[$x, $plot->bottom, $x, $plot->bottom + 5]], Ink::Median, 1.0);
            }
            $x = $plot->left + $tick->centre * $plot->step();
            if ($plot->step() === 0.0) {
                $x = $plot->x($plot->from);
            }
            $marks[] = Words::plain($x, $plot->bottom + 21, $tick->label, $type, Ink::Quiet, 'middle');
            if ($tick->below !== '') {
                $marks[] = Words::plain($x, $plot->bottom + 37, $tick->below, $small, Ink::Quiet, 'middle');
            }
        }

        return new Group('time-axis', $marks);
    }

    /** @return list<Group> peers first, then the median, then the focus, the first chosen on top */
    private function lines(Comparison $comparison, PlotArea $plot, Scale $scale): array
    {
        $groups = [];
        $peers = $comparison->inState(LineState::Peer);
        $weight = count($peers) > 60 ? 1.0 : 1.3;
        $grain = count($peers) * ($plot->to - $plot->from) > self::MANY_POINTS ? 0.5 : 0.1;
        foreach ($peers as $line) {
            $groups[] = new Group('series', self::strokes($line->values, $comparison, $plot, $scale, Ink::Peer, $weight, $grain), self::facts($line));
        }
        if ($comparison->peerLine !== [] && count($peers) > 1) {
            $groups[] = new Group('median', [new Stroke(Pieces::of($comparison->peerLine, $plot, $scale), Ink::Median, 2.0)]);
        }
        foreach (array_reverse($comparison->focus()) as $line) {
            $ink = Ink::focus($line->hue);
            $marks = [
                ...self::strokes($line->values, $comparison, $plot, $scale, Ink::Sheet, 6.0),
                ...self::strokes($line->values, $comparison, $plot, $scale, $ink, 3.0),
            ];
            if ($line->last !== null) {
                $marks[] = new Dot($plot->x($line->last), $scale->at($line->latest()), 4.5, $ink);
            }
            $groups[] = new Group('series', $marks, self::facts($line));
        }

        return $groups;
    }

    /**
     * A line, and what there is of unfinished periods dashed after it.
     *
     * @param list<float> $values
     * @return list<Stroke> the finished part last, since that is what the pointer reads first
     */
    private static function strokes(array $values, Comparison $comparison, PlotArea $plot, Scale $scale, Ink $ink, float $width, float $grain = 0.1): array
    {
        $open = $comparison->run->open();
        if ($open === null || $open > $plot->to || $open <= $plot->from) {
            return [new Stroke(Pieces::of($values, $plot, $scale), $ink, $width, [], $grain)];
        }
        $rest = $values;
        $finished = $values;
        for ($i = $plot->from; $i <= $plot->to; $i++) {
            if ($i >= $open) {
                $finished[$i] = NAN;
            }
            if ($i < $open - 1) {
                $rest[$i] = NAN;
            }
        }

        return [
            new Stroke(Pieces::of(array_values($rest), $plot, $scale), $ink, $width, [5.0, 5.0], $grain),
            new Stroke(Pieces::of(array_values($finished), $plot, $scale), $ink, $width, [], $grain),
        ];
    }

    /** @return array<string, string> */
    private static function facts(Line $line): array
    {
        return ['line' => $line->key, 'name' => $line->name, 'hue' => (string) $line->hue];
    }

    /**
     * What is to be written at the ends of lines.
     *
     * @return list<array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type, width: float}>
     */
    private function ends(Comparison $comparison, Type $type, float $room): array
    {
        $all = count($comparison->present()) <= self::NAME_ALL;
        $ends = [];
        foreach ($comparison->present() as $line) {
            if ($line->last !== null && ($line->state === LineState::Focus || $all)) {
                $ink = $line->state === LineState::Focus ? Ink::focus($line->hue) : Ink::Quiet;
                $ends[] = $this->end($line->key, $line->name, $line->latest(), $line->last, $ink, $line->state === LineState::Focus ? $type : Type::text($type->size, 400), $comparison, $room);
            }
        }
        $median = $comparison->peerLine;
        for ($i = $comparison->to; $median !== [] && $i >= $comparison->from; $i--) {
            if (! is_nan($median[$i])) {
                if (count($comparison->inState(LineState::Peer)) > 1) {
                    $ends[] = $this->end('', $comparison->study->peers->lineName(), $median[$i], $i, Ink::Quiet, $type, $comparison, $room);
                }
                break;
            }
        }

        return $ends;
    }

    /** @return array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type, width: float} */
    private function end(string $key, string $name, float $at, int $last, Ink $ink, Type $type, Comparison $comparison, float $room): array
    {
        $value = $comparison->format($at);
        $valueWidth = $this->measure->width(" {$value}", Type::text($type->size, 600));
        while (mb_strlen($name) > 4 && $this->measure->width($name, $type) + $valueWidth > $room) {
            $name = rtrim(mb_substr($name, 0, mb_strlen(rtrim($name, '…')) - 1)).'…';
        }

        return ['key' => $key, 'name' => $name, 'value' => $value, 'at' => $at, 'last' => $last, 'ink' => $ink, 'type' => $type, 'width' => $this->measure->width($name, $type) + $valueWidth];
    }

    /**
     * @param list<array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type, width: float}> $ends
     * @return list<Group>
     */
    private function endLabels(array $ends, Comparison $comparison, PlotArea $plot, Scale $scale, float $height): array
    {
        $places = LabelPlacement::column(
            array_map(static fn(array $end): float => $scale->at($end['at']), $ends),
            self::LABEL_HEIGHT,
            0.0,
            $height - 26.0,
        );
        $labels = [];
        foreach ($ends as $i => $end) {
            $x = $plot->right + 20.0;
            $y = $places[$i];
            $from = $scale->at($end['at']);
            $leader = [$plot->x($end['last']) + 6.0, $from];
            array_push($leader, ...($end['last'] < $plot->to ? [$plot->right + 4.0, $from] : []), ...[$x - 4.0, $y]);
            $labels[] = new Group('end-label', [
                new Stroke([$leader], Ink::Median, 1.0, $end['last'] < $plot->to ? [2.0, 3.0] : []),
                Words::runs($x, $y + 5.0, [
                    ['text' => $end['name'], 'ink' => $end['ink'], 'weight' => $end['type']->weight],
                    ['text' => " {$end['value']}", 'ink' => $end['ink'], 'weight' => min(600, $end['type']->weight)],
                ], $end['type']),
            ], $end['key'] === '' ? [] : ['line' => $end['key']]);
        }

        return $labels;
    }
}
