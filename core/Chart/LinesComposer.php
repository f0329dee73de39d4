<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\AxisPart;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Variation;
use DuskRail\Time\PeriodAxis;

/** Lines along an axis, named and valued at their ends: the Lines view, and years merged into each other. */
final readonly class LinesComposer
{
    public function __construct(private TextMeasure $measure) {}

    public function compose(Lineup $lineup, float $width, float $height): Scene
    {
        $axis = $lineup->comparison->study->part(AxisPart::class);
        if ($axis->start !== 'both' || $width < 560) {
            return $this->one($lineup, $width, $height, $axis);
        }
        // Cut and whole beside each other; the pointer reads the larger one.
        $share = round($width * 0.62);
        $from = new AxisPart('zero', grid: $axis->grid, dashed: $axis->dashed);
        $cut = $this->one($lineup, $share, $height - 20.0, $axis->starting('cut'));
        $whole = $this->one($lineup, $width - $share - 16.0, $height - 20.0, $from);
        $type = Type::text(13, 600);

        return new Scene(
            $width,
            $height,
            [
                ...$cut->marks,
                Words::plain($cut->plot->left ?? 0.0, $height - 4.0, 'axis fitted to the data', $type, Ink::Quiet),
                new Group('beside', [
                    new Placed($share + 16.0, 0.0, [
                        ...$whole->marks,
                        Words::plain($whole->plot->left ?? 0.0, $height - 4.0, 'axis from zero', $type, Ink::Quiet),
                    ]),
                ]),
            ],
            $cut->plot,
            $cut->title,
            $cut->description,
            $cut->scale,
        );
    }

    private function one(Lineup $lineup, float $width, float $height, AxisPart $axis): Scene
    {
        $narrow = $width < 560;
        $axisType = Type::text($narrow ? 12.5 : 13.5);
        $after = ProjectionPainter::room($lineup);
        $axes = new Axes($this->measure, $axis);
        $key = new Key($this->measure, $lineup, $width);
        $scale = self::scale(
            $lineup,
            $height - $this->timeRoom($lineup, $width, $axisType),
            14.0 + $key->height(),
            $axis,
        );
        $ticks = Ticks::on($scale, max(2, (int) (($scale->atLow - $scale->atHigh) / 62)));
        $ends = EndLabels::of(
            $lineup,
            $this->measure,
            Type::text($narrow ? 14 : 15.5, 700),
            $width * ($narrow ? 0.3 : 0.34),
            $height,
            $scale,
        );
        $left = $axes->room($ticks, $axisType);
        $right = $width - $ends->room();
        $plot = new PlotArea(
            $left,
            max($left + 40.0, $right),
            $scale->atHigh,
            $scale->atLow,
            $lineup->from,
            $lineup->to,
            0,
            $after,
        );
        $times = TimeTicks::along(
            $lineup->axis,
            $plot->from,
            $plot->to + $after,
            $plot->step(),
            fn(string $text): float => $this->measure->width($text, $axisType),
        );
        $painter = new LinesPainter($lineup, $plot, $scale);
        $bands = new BandPainter($painter);
        $turns = new TurnsPainter($this->measure, $lineup, $plot, $scale);
        $ahead = new ProjectionPainter($this->measure, $lineup, $plot, $scale);
        $marks = new MarksPainter($this->measure, $lineup, $plot, $scale);
        $endLabels = $ends->groups($plot, $scale, $width, $height);
        [$targets, $annotations] = [$marks->targets(), $marks->before()];
        // In the order in which they get their room: ends, what the user wrote, the base, points.
        $focus = array_values(array_filter($lineup->focus(), static fn(Line $line): bool => !$line->dashed));
        $room = new LabelRoom($this->measure, $plot, $scale, $focus);
        $dates = $turns->dates();
        $room->takeWordsOf([...$endLabels, ...$targets, ...$annotations, ...$dates]);
        $baseLabel = $this->baseLabel($lineup, $plot, $room);
        $room->takeWordsOf([$baseLabel]);

        return new Scene(
            $width,
            $height,
            [
                $this->base($lineup, $plot),
                ...$marks->behind(),
                ...$turns->behind(),
                ...$ahead->behind(),
                ...array_map(fn(Group $group): Mark => $this->clipped($group, $lineup, $axis), $ahead->intervals()),
                $this->clipped($bands->band(), $lineup, $axis),
                ...array_map(fn(Group $group): Mark => $this->clipped($group, $lineup, $axis), $bands->variation()),
                $axes->values($ticks, $scale, $plot, $axisType),
                $baseLabel,
                ...$axes->verticals($times, $plot),
                $axes->places($times, $plot, $axisType),
                ...array_map(fn(Group $group): Mark => $this->clipped($group, $lineup, $axis), $ahead->lines()),
                ...array_map(fn(Group $group): Mark => $this->clipped($group, $lineup, $axis), $painter->lines()),
                ...array_map(fn(Group $group): Mark => $this->clipped($group, $lineup, $axis), $bands->beyond()),
                ...array_map(fn(Group $group): Mark => $this->clipped($group, $lineup, $axis), $turns->courses()),
                ...self::isLimited($lineup, $axis)
                    ? [(new BeyondLimits($lineup, $plot, $scale, $this->measure))->marks()]
                    : [],
                ...$targets,
                ...$annotations,
                ...$dates,
                ...(new PointLabels($this->measure, $lineup, $plot, $scale, $room))->groups(),
                ...$endLabels,
                $key->group($plot),
            ],
            $plot,
            $lineup->comparison->measure->name,
            Summary::of($lineup),
            $scale,
        );
    }

    /** @param float $bottom of the plot, in pixels */
    private static function scale(Lineup $lineup, float $bottom, float $top, AxisPart $axis): Scale
    {
        [$low, $high] = $lineup->extremes();
        $variation = $lineup->axis instanceof PeriodAxis ? Variation::of($lineup->comparison) : null;
        $limits = $variation === null ? [] : [[$variation->chart->lower, $variation->chart->upper]];
        $further = [...MarksPainter::levels($lineup), ...$limits, ...ProjectionPainter::levels($lineup)];
        foreach ($low <= $high ? $further : [] as $levels) {
            $levels = array_filter($levels, static fn(float $v): bool => !is_nan($v));
            [$low, $high] = [min([$low, ...$levels]), max([$high, ...$levels])];
        }
        if ($lineup->unit->isRank() && $low <= $high) {
            // The first place is on top.
            return new Scale($high + 0.5, 0.5, $bottom, $top);
        }

        $limited = $axis->view === $lineup->comparison->study->view;

        return Scale::wanted([$low, $high], $axis, $limited, $bottom, $top);
    }

    /** Within limits that were set, a line may leave the plot; what is outside is not drawn. */
    private function clipped(Group $group, Lineup $lineup, AxisPart $axis): Group
    {
        return self::isLimited($lineup, $axis) ? $group->inPlot() : $group;
    }

    private static function isLimited(Lineup $lineup, AxisPart $axis): bool
    {
        return $axis->hasLimits() && $axis->view === $lineup->comparison->study->view;
    }

    /** Height under the lines: for one row of words, or for two where the year is said below the month. */
    private function timeRoom(Lineup $lineup, float $width, Type $type): float
    {
        $to = $lineup->to + ProjectionPainter::room($lineup);
        $step = (0.8 * $width) / max(1, $to - $lineup->from);
        $ticks = TimeTicks::along(
            $lineup->axis,
            $lineup->from,
            $to,
            $step,
            fn(string $text): float => $this->measure->width($text, $type),
        );

        return array_filter($ticks, static fn(TimeTick $tick): bool => $tick->below !== '') === [] ? 30.0 : 46.0;
    }

    /** The span that is 100 on average, shaded. */
    private function base(Lineup $lineup, PlotArea $plot): Group
    {
        $span = self::baseSpan($lineup, $plot);

        return new Group(
            'base',
            $span === null
                ? []
                : [new Box($span[0], $plot->top, $span[1] - $span[0], $plot->bottom - $plot->top, Ink::Tint)],
        );
    }

    /** Its name, on a ground of its own so that no gridline runs through the words. */
    private function baseLabel(Lineup $lineup, PlotArea $plot, LabelRoom $room): Group
    {
        $span = self::baseSpan($lineup, $plot);
        $base = $lineup->comparison->base();
        if ($span === null || $base === null) {
            return new Group('base-label', []);
        }
        $type = Type::text(13);
        $text = "base {$base->label()}";
        $half = $this->measure->width($text, $type) / 2 + 3.0;
        $x = min(max(($span[0] + $span[1]) / 2, $plot->left + $half), $plot->right - $half);
        $y = self::freeRow($x - $half, 2 * $half, $plot, $room);

        return new Group('base-label', [
            new Box($x - $half, $y, 2 * $half, 17.0, Ink::Tint),
            Words::plain($x, $y + 13.0, $text, $type, Ink::Quiet, 'middle'),
        ]);
    }

    /** The highest row for words within a plot, or the lowest, in which nothing else is. */
    private static function freeRow(float $left, float $width, PlotArea $plot, LabelRoom $room): float
    {
        $rows = [];
        for ($y = $plot->top + 2.0; $y < $plot->bottom - 20.0; $y += 18.0) {
            $box = [$left, $y, $left + $width, $y + 17.0];
            if ($room->isFree($box) && !$room->isCrossed($box)) {
                return $y;
            }
            if ($room->isFree($box)) {
                $rows[] = $y;
            }
        }

        return $rows[0] ?? $plot->top + 2.0;
    }

    /** @return array{float, float}|null left and right edge of the base, as far as it is shown */
    private static function baseSpan(Lineup $lineup, PlotArea $plot): ?array
    {
        $base = $lineup->comparison->base();
        $positions = $base === null || !($lineup->axis instanceof PeriodAxis) ? null : $lineup->axis->positions($base);
        if ($positions === null || $positions[1] < $plot->from || $positions[0] > $plot->to) {
            return null;
        }
        $one = $positions[0] === $positions[1];
        $half = max(2.0, min(6.0, $plot->step() / 2));
        $left = max($plot->left, $plot->x($positions[0]) - ($one ? $half : 0.0));

        return [$left, max($left + 1.0, min($plot->right, $plot->x($positions[1]) + ($one ? $half : $plot->step())))];
    }
}
