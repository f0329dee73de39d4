<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\PointsPart;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Outcome\Line;

/**
 * The tiny picture in a row of the Sparks view: a line, columns, or ups and downs about zero, with its telling points.
 */
final readonly class SparkCell
{
    /** A course of a few pixels' height is as well drawn in quarters of them, in a third less room. */
    private const GRAIN = 0.25;

    /** Radius of the mark of a telling point. */
    private const TELLING = 2.4;

    /** More columns than this cannot be told apart at the size. */
    private const MOST_COLUMNS = 60;

    /** @param array{float, float}|null $common lowest and highest of all rows, when they share a scale */
    public function __construct(
        private SparksPart $part,
        private PointsPart $points,
        private int $from,
        private int $to,
        private ?array $common,
    ) {}

    /** @return list<Mark> within a box of a width and a height */
    public function marks(Line $line, float $width, float $height): array
    {
        [$low, $high] = $this->common ?? $this->extremes($line);
        if ($low > $high) {
            return [];
        }
        $plot = new PlotArea(4.0, $width - 4.0, 4.0, $height - 4.0, $this->from, $this->to);
        $ink = $line->hue > 0 ? Ink::focus($line->hue) : Ink::Text;
        $form = $this->part->formOf($line->key, $line->isGroup() ? $line->name : $line->group);
        if ($form === 'line') {
            $scale =
                $low === $high
                    ? new Scale($low - 1.0, $high + 1.0, $plot->bottom, $plot->top)
                    : new Scale($low, $high, $plot->bottom, $plot->top);
            $zero =
                $low < 0.0 && $high > 0.0
                    ? [new Stroke([[$plot->left, $scale->at(0.0), $plot->right, $scale->at(0.0)]], Ink::Hair, 1.0)]
                    : [];

            return [
                ...$zero,
                new Stroke(
                    Pieces::of($line->values, $plot, $scale, $line->absent),
                    $line->hue > 0 ? $ink : Ink::Median,
                    1.5,
                    grain: self::GRAIN,
                ),
                ...$this->points($line, $plot, $scale, $ink),
            ];
        }

        return $this->columns($line, $plot, min(0.0, $low), max(0.0, $high), $ink, $form === 'signs');
    }

    /** @return array{float, float} */
    public function extremes(Line $line): array
    {
        $low = INF;
        $high = -INF;
        for ($i = $this->from; $i <= $this->to; $i++) {
            $low = $line->values[$i] < $low ? $line->values[$i] : $low;
            $high = $line->values[$i] > $high ? $line->values[$i] : $high;
        }

        return [$low, $high];
    }

    /** @return list<Mark> */
    private function points(Line $line, PlotArea $plot, Scale $scale, Ink $ink): array
    {
        $dots = [];
        foreach ($this->dotted($line) as $position => $radius) {
            $dots[] = new Dot($plot->x($position), $scale->at($line->values[$position]), $radius, $ink);
        }
        // At this size a rim would be half of the mark.
        $marks = new PointMarks($this->points, $this->part->points, 0.0);
        foreach ($marks->of($line->values, $plot, $scale, $ink, self::TELLING) as $group) {
            array_push($dots, ...$group->marks);
        }

        return $dots;
    }

    /** @return array<int, float> radius of the dot by position, where a line has dots */
    private function dotted(Line $line): array
    {
        $last = min($line->last ?? $this->to, $this->to);
        $end = in_array('last', $this->part->points, true) ? [$last => self::TELLING] : [];
        if (!in_array('all', $this->part->points, true)) {
            return is_nan($line->values[$last]) ? [] : $end;
        }

        return $end + array_filter($this->marked($line), static fn(float $radius): bool => $radius < self::TELLING);
    }

    /** @return array<int, float> radius of the mark by position */
    private function marked(Line $line): array
    {
        $wanted = array_fill_keys($this->part->points, true);
        if ($wanted === []) {
            return [];
        }
        [$low, $high] = $this->extremes($line);
        $values = array_intersect_key(['lowest' => $low, 'highest' => $high], $wanted);
        $positions = array_intersect_key(
            ['first' => $line->first($this->from), 'last' => min($line->last ?? $this->to, $this->to)],
            $wanted,
        );
        $all = isset($wanted['all']);
        $bottom = isset($wanted['negative']) ? 0.0 : -INF;
        $marked = [];
        for ($i = $this->from; $i <= $this->to; $i++) {
            $value = $line->values[$i];
            if (is_nan($value)) {
                continue;
            }
            $telling = $value < $bottom || in_array($value, $values, true) || in_array($i, $positions, true);
            if ($telling || $all) {
                $marked[$i] = $telling ? self::TELLING : 1.3;
            }
        }

        return $marked;
    }

    /** @return list<Mark> */
    private function columns(Line $line, PlotArea $plot, float $low, float $high, Ink $ink, bool $signs): array
    {
        $scale = $signs
            ? new Scale(-1.0, 1.0, $plot->bottom, $plot->top)
            : new Scale($low, $high > $low ? $high : $low + 1.0, $plot->bottom, $plot->top);
        $zero = $scale->at(0.0);
        $from = max($plot->from, $plot->to - self::MOST_COLUMNS + 1);
        $step = ($plot->right - $plot->left) / max(1, $plot->to - $from + 1);
        $marked = $this->marked($line);
        $marks = [new Stroke([[$plot->left, $zero, $plot->right, $zero]], Ink::Hair, 1.0)];
        for ($i = $from; $i <= $plot->to; $i++) {
            $value = $line->values[$i];
            if (is_nan($value)) {
                continue;
            }
            $end = $scale->at($signs ? $value <=> 0.0 : $value);
            $marks[] = new Box(
                $plot->left + ($i - $from) * $step,
                min($zero, $end),
                max(1.0, $step - 1.0),
                max(0.8, abs($end - $zero)),
                isset($marked[$i]) && $marked[$i] > 2.0
                    ? ($value < 0.0
                        ? Ink::Warn
                        : $ink)
                    : ($value < 0.0
                        ? Ink::Warn
                        : ($line->hue > 0
                            ? $ink
                            : Ink::Peer)),
                0.0,
                isset($marked[$i]) && $marked[$i] > 2.0 ? 1.0 : 0.7,
            );
        }

        return $marks;
    }
}
