<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\AxisPart;

/** Draws the axes of a plot. */
final readonly class Axes
{
    private const DASH = [2.0, 4.0];

    public function __construct(private TextMeasure $measure, private AxisPart $part = new AxisPart()) {}

    /**
     * Gridlines, and the values beside them.
     *
     * @param bool $worded whether the values are written
     */
    public function values(Ticks $ticks, Scale $scale, PlotArea $plot, Type $type, bool $worded = true): Group
    {
        $marks = [];
        foreach ($ticks->values as $value) {
            $y = round($scale->at($value)) + 0.5;
            $zero = !$scale->log && abs($value) < 1e-12;
            if ($zero || in_array($this->part->grid, ['across', 'both'], true)) {
                $marks[] = new Stroke(
                    [[$plot->left, $y, $plot->right, $y]],
                    $zero ? Ink::Median : Ink::Hair,
                    1.0,
                    $this->part->dashed && !$zero ? self::DASH : [],
                );
            }
            if ($worded) {
                $marks[] = Words::plain($plot->left - 8, $y + 4.5, $ticks->label($value), $type, Ink::Quiet, 'end');
            }
        }

        return new Group('value-axis', $marks);
    }

    /**
     * Lines at the times that have a tick or a word; none where none are wanted.
     *
     * @param list<TimeTick> $ticks
     * @return list<Group>
     */
    public function verticals(array $ticks, PlotArea $plot): array
    {
        if (!in_array($this->part->grid, ['along', 'both'], true)) {
            return [];
        }
        $marks = [];
        foreach ($ticks as $tick) {
            $x = round($plot->x($plot->from) + ($tick->edge ?? $tick->centre) * $plot->step()) + 0.5;
            $dash = $this->part->dashed ? self::DASH : [];
            $marks[] = new Stroke([[$x, $plot->top, $x, $plot->bottom]], Ink::Hair, 1.0, $dash);
        }

        return [new Group('time-grid', $marks)];
    }

    /** Room that the values need at the left. */
    public function room(Ticks $ticks, Type $type): float
    {
        return 14.0 +
            max([
                0.0,
                ...array_map(fn(float $v): float => $this->measure->width($ticks->label($v), $type), $ticks->values),
            ]);
    }

    /** @param list<TimeTick> $ticks */
    public function places(array $ticks, PlotArea $plot, Type $type): Group
    {
        $marks = [];
        $small = Type::text($type->size - 1);
        foreach ($ticks as $tick) {
            if ($tick->edge !== null) {
                $x = round($plot->x($plot->from) + $tick->edge * $plot->step()) + 0.5;
                $marks[] = new Stroke([[$x, $plot->bottom, $x, $plot->bottom + 5]], Ink::Median, 1.0);
            }
            $x = $plot->x($plot->from) + ($plot->step() === 0.0 ? 0.0 : $tick->centre * $plot->step());
            $marks[] = Words::plain($x, $plot->bottom + 21, $tick->label, $type, Ink::Quiet, 'middle');
            if ($tick->below !== '') {
                $marks[] = Words::plain($x, $plot->bottom + 37, $tick->below, $small, Ink::Quiet, 'middle');
            }
        }

        return new Group('time-axis', $marks);
    }
}
