<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Study\LineState;
use DuskRail\Study\Lineup;
use DuskRail\Study\Parts\AxisPart;
use DuskRail\Time\PeriodAxis;

/** Lines along an axis, named and valued at their ends: the Lines view, and years laid over each other. */
final readonly class LinesComposer
{
    /** Up to so many lines each is named at its end; with more, only those in focus and what sums up the others. */
    private const NAME_ALL = 8;

    private const LABEL_HEIGHT = 20.0;

    public function __construct(private TextMeasure $measure) {}

    public function compose(Lineup $lineup, float $width, float $height): Scene
    {
        $axis = $lineup->comparison->study->axis;
        if ($axis->start !== 'both' || $width < 560) {
            return $this->one($lineup, $width, $height, $axis);
        }
        // Cut and whole beside each other; the pointer reads the larger one.
        $share = round($width * 0.62);
        $cut = $this->one($lineup, $share, $height - 20.0, $axis->starting('cut'));
        $whole = $this->one($lineup, $width - $share - 16.0, $height - 20.0, new AxisPart('zero'));
        $type = Type::text(13, 600);

        return new Scene($width, $height, [
            ...$cut->marks,
            Words::plain($cut->plot->left ?? 0.0, $height - 4.0, 'the axis cut', $type, Ink::Quiet),
            new Group('beside', [new Placed($share + 16.0, 0.0, [...$whole->marks, Words::plain($whole->plot->left ?? 0.0, $height - 4.0, 'the same from zero', $type, Ink::Quiet)])]),
        ], $cut->plot, $cut->title, $cut->description, $cut->scale);
    }

    private function one(Lineup $lineup, float $width, float $height, AxisPart $axis): Scene
    {
        $narrow = $width < 560;
        $axisType = Type::text($narrow ? 12.5 : 13.5);
        $axes = new Axes($this->measure);
        $scale = self::scale($lineup, $height - $this->timeRoom($lineup, $width, $axisType), 14.0, $axis);
        $ticks = Ticks::on($scale, max(2, (int) (($scale->atLow - $scale->atHigh) / 62)));
        $ends = $this->ends($lineup, Type::text($narrow ? 14 : 15.5, 700), $width * ($narrow ? 0.3 : 0.34));
        $left = $axes->room($ticks, $axisType);
        $right = $width - ($ends === [] ? 18.0 : 26.0 + max(array_column($ends, 'width')));
        $plot = new PlotArea($left, max($left + 40.0, $right), $scale->atHigh, $scale->atLow, $lineup->from, $lineup->to);
        $painter = new LinesPainter($lineup, $plot, $scale);
        $marks = new MarksPainter($this->measure, $lineup, $plot, $scale);

        return new Scene($width, $height, [
            $this->base($lineup, $plot),
            ...$marks->behind(),
            $this->clipped($painter->band(), $lineup, $axis),
            $axes->values($ticks, $scale, $plot, $axisType),
            $this->baseLabel($lineup, $plot),
            $axes->places(TimeTicks::along($lineup->axis, $plot->from, $plot->to, $plot->step(), fn(string $text): float => $this->measure->width($text, $axisType)), $plot, $axisType),
            ...array_map(fn(Group $group): Mark => $this->clipped($group, $lineup, $axis), $painter->lines()),
            $this->target($lineup, $plot, $scale),
            ...$marks->before(),
            ...(new PointLabels($this->measure, $lineup, $plot, $scale))->groups(),
            ...$this->endLabels($ends, $plot, $scale, $height),
        ], $plot, $lineup->comparison->measure->name, Summary::of($lineup), $scale);
    }

    /** @param float $bottom of the plot, in pixels */
    private static function scale(Lineup $lineup, float $bottom, float $top, AxisPart $axis): Scale
    {
        [$low, $high] = $lineup->extremes();
        $target = $lineup->peers->target;
        if ($target !== null && $low <= $high) {
            [$low, $high] = [min($low, $target), max($high, $target)];
        }
        if ($lineup->unit->text() === 'rank' && $low <= $high) {
            // The first place is on top.
            return new Scale($high + 0.5, 0.5, $bottom, $top);
        }

        return Scale::wanted($low, $high, $axis, $axis->view === $lineup->comparison->study->view->value, $bottom, $top);
    }

    /** Within limits that were set, a line may leave the plot; what is outside is not drawn. */
    private function clipped(Group $group, Lineup $lineup, AxisPart $axis): Group
    {
        return $axis->hasLimits() && $axis->view === $lineup->comparison->study->view->value ? $group->inPlot() : $group;
    }

    /** Height under the lines: for one row of words, or for two where the year is said below the month. */
    private function timeRoom(Lineup $lineup, float $width, Type $type): float
    {
        $step = 0.8 * $width / max(1, $lineup->to - $lineup->from);
        $ticks = TimeTicks::along($lineup->axis, $lineup->from, $lineup->to, $step, fn(string $text): float => $this->measure->width($text, $type));

        return array_filter($ticks, static fn(TimeTick $tick): bool => $tick->below !== '') === [] ? 30.0 : 46.0;
    }

    /** The span that is 100 on average, shaded. */
    private function base(Lineup $lineup, PlotArea $plot): Group
    {
        $span = self::baseSpan($lineup, $plot);

        return new Group('base', $span === null ? [] : [
            new Box($span[0], $plot->top, $span[1] - $span[0], $plot->bottom - $plot->top, Ink::Tint),
        ]);
    }

    /** Its name, on a ground of its own so that no gridline runs through the words. */
    private function baseLabel(Lineup $lineup, PlotArea $plot): Group
    {
        $span = self::baseSpan($lineup, $plot);
        $base = $lineup->comparison->base();
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
    private function target(Lineup $lineup, PlotArea $plot, Scale $scale): Group
    {
        $target = $lineup->peers->target;
        if ($target === null || is_nan($scale->at($target))) {
            return new Group('target', []);
        }
        $type = Type::text(13, 600);
        $text = "target {$lineup->format($target)}";
        $y = round($scale->at($target)) + 0.5;
        $room = $this->measure->width($text, $type) + 6.0;

        return new Group('target', [
            new Stroke([[$plot->left, $y, $plot->right, $y]], Ink::Rail, 1.5, [7.0, 4.0]),
            new Box($plot->left + 2.0, $y - 19.0, $room, 17.0, Ink::Sheet, 0, 0.8),
            Words::plain($plot->left + 5.0, $y - 6.0, $text, $type, Ink::Rail),
        ]);
    }

    /** @return array{float, float}|null left and right edge of the base, as far as it is shown */
    private static function baseSpan(Lineup $lineup, PlotArea $plot): ?array
    {
        $base = $lineup->comparison->base();
        $positions = $base === null || ! $lineup->axis instanceof PeriodAxis ? null : $lineup->axis->positions($base);
        if ($positions === null || $positions[1] < $plot->from || $positions[0] > $plot->to) {
            return null;
        }
        $one = $positions[0] === $positions[1];
        $half = max(2.0, min(6.0, $plot->step() / 2));
        $left = max($plot->left, $plot->x($positions[0]) - ($one ? $half : 0.0));

        return [$left, max($left + 1.0, min($plot->right, $plot->x($positions[1]) + ($one ? $half : $plot->step())))];
    }

    /**
     * What is to be written at the ends of lines.
     *
     * @return list<array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type, width: float}>
     */
    private function ends(Lineup $lineup, Type $type, float $room): array
    {
        $all = count($lineup->present()) <= self::NAME_ALL;
        $ends = [];
        if ($lineup->comparison->study->labels->end === 'none') {
            return [];
        }
        foreach ($lineup->present() as $line) {
            if ($line->last !== null && ($line->state === LineState::Focus || ($all && $lineup->drawsQuiet))) {
                $focus = $line->state === LineState::Focus;
                $weight = $focus && ! $line->dashed ? $type : Type::text($type->size, 400);
                $ends[] = $this->end($line->key, $line->name, $line->latest(), $line->last, $focus ? Ink::focus($line->hue) : Ink::Quiet, $weight, $lineup, $room);
            }
        }
        $summary = $lineup->summary;
        for ($i = $lineup->to; $summary !== [] && $i >= $lineup->from; $i--) {
            if (! is_nan($summary[$i])) {
                if (count($lineup->inState(LineState::Peer)) > 1) {
                    $ends[] = $this->end('', $lineup->summaryName, $summary[$i], $i, Ink::Quiet, $type, $lineup, $room);
                }
                break;
            }
        }

        return $ends;
    }

    /** @return array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type, width: float} */
    private function end(string $key, string $name, float $at, int $last, Ink $ink, Type $type, Lineup $lineup, float $room): array
    {
        $wanted = $lineup->comparison->study->labels->end;
        $value = $wanted === 'name' ? '' : " {$lineup->format($at)}";
        $name = $wanted === 'value' ? '' : $name;
        $valueWidth = $this->measure->width($value, Type::text($type->size, 600));
        while (mb_strlen($name) > 4 && $this->measure->width($name, $type) + $valueWidth > $room) {
            $name = rtrim(mb_substr($name, 0, mb_strlen(rtrim($name, '…')) - 1)).'…';
        }

        return ['key' => $key, 'name' => $name, 'value' => $value, 'at' => $at, 'last' => $last, 'ink' => $ink, 'type' => $type, 'width' => $this->measure->width($name, $type) + $valueWidth];
    }

    /**
     * @param list<array{key: string, name: string, value: string, at: float, last: int, ink: Ink, type: Type, width: float}> $ends
     * @return list<Group>
     */
    private function endLabels(array $ends, PlotArea $plot, Scale $scale, float $height): array
    {
        // A value outside the limits that were set is named at the edge it left by.
        $points = array_map(static fn(array $end): float => max($plot->top, min($plot->bottom, is_nan($scale->at($end['at'])) ? $plot->bottom : $scale->at($end['at']))), $ends);
        $places = LabelPlacement::column($points, self::LABEL_HEIGHT, 0.0, $height - 26.0);
        $labels = [];
        foreach ($ends as $i => $end) {
            $x = $plot->right + 20.0;
            $y = $places[$i];
            $from = $points[$i];
            $leader = [$plot->x($end['last']) + 6.0, $from];
            array_push($leader, ...($end['last'] < $plot->to ? [$plot->right + 4.0, $from] : []), ...[$x - 4.0, $y]);
            $labels[] = new Group('end-label', [
                new Stroke([$leader], Ink::Median, 1.0, $end['last'] < $plot->to ? [2.0, 3.0] : []),
                Words::runs($x, $y + 5.0, [
                    ['text' => $end['name'], 'ink' => $end['ink'], 'weight' => $end['type']->weight],
                    ['text' => $end['value'], 'ink' => $end['ink'], 'weight' => min(600, $end['type']->weight)],
                ], $end['type']),
            ], $end['key'] === '' ? [] : ['line' => $end['key']]);
        }

        return $labels;
    }
}
