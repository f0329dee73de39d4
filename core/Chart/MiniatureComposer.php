<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\Facet;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\LineRole;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\SparkRow;
use DuskRail\Outcome\SparkTable;
use DuskRail\Outcome\Stacked;

/**
 * Pictures as small as a card: what is in focus before the quiet rest, without axes, told by the values at the ends.
 * Lines are drawn to half a pixel, and of many quiet ones some.
 */
final readonly class MiniatureComposer
{
    private const EDGE = 12.0;

    private const GRAIN = 0.5;

    /** Quiet lines and dots; more cannot be told apart at the size. */
    private const MOST_LINES = 60;

    private const MOST_DOTS = 400;

    private const MOST_PANELS = 12;

    private const MOST_ROWS = 6;

    private const MOST_BARS = 14;

    public function __construct(private TextMeasure $measure) {}

    public function lines(Lineup $lineup, float $width, float $height): Scene
    {
        $type = Type::text(13, 700);
        $ends = [];
        foreach ($lineup->focus() as $line) {
            if ($line->last !== null && !$line->dashed) {
                $ends[$line->key] = $lineup->format($line->values[$line->last]);
            }
        }
        $room =
            $ends === [] ? 0.0 : 9.0 + max(array_map(fn(string $t): float => $this->measure->width($t, $type), $ends));
        $plot = new PlotArea(self::EDGE, $width - self::EDGE - $room, 10.0, $height - 10.0, $lineup->from, $lineup->to);
        $scale = self::scale($lineup, $plot->bottom, $plot->top);
        $marks = self::drawn($lineup, $plot, $scale);
        $wanted = [];
        foreach ($lineup->focus() as $line) {
            if (isset($ends[$line->key])) {
                $wanted[$line->key] = $scale->at($line->values[(int) $line->last]);
                $marks[] = new Dot($plot->x((int) $line->last), $wanted[$line->key], 3.2, Ink::of($line, Ink::Text));
            }
        }
        foreach (LabelPlacement::column(array_filter($wanted, is_finite(...)), 14.0, 0.0, $height) as $key => $y) {
            $line = $lineup->line((string) $key);
            if ($line !== null) {
                $x = $plot->x((int) $line->last) + 7.0;
                $marks[] = Words::plain($x, $y + 4.5, $ends[$key], $type, Ink::of($line, Ink::Text));
            }
        }

        return self::scene($lineup, $width, $height, $marks, $plot);
    }

    /**
     * The first panels of many.
     *
     * @param non-empty-list<Facet> $facets
     */
    public function panels(array $facets, float $width, float $height): Scene
    {
        $shown = array_slice($facets, 0, self::MOST_PANELS);
        $columns = min(4, max(1, (int) ceil(sqrt(count($shown) * 1.4))));
        $rows = (int) ceil(count($shown) / $columns);
        [$gap, $w] = [10.0, ($width - 2 * self::EDGE + 10.0) / $columns];
        $h = ($height - 16.0) / $rows;
        $low = INF;
        $high = -INF;
        foreach ($shown as $facet) {
            [$least, $most] = $facet->lineup->extremes();
            [$low, $high] = [min($low, $least), max($high, $most)];
        }
        $marks = [];
        foreach ($shown as $n => $facet) {
            $left = self::EDGE + ($n % $columns) * $w;
            $top = 8.0 + intdiv($n, $columns) * $h;
            $lineup = $facet->lineup;
            $plot = new PlotArea(
                $left,
                $left + $w - $gap,
                $top + 2.0,
                $top + $h - 8.0,
                $lineup->from,
                $lineup->to,
                $facet->before,
                $facet->after,
            );
            $scale =
                $low < $high
                    ? new Scale($low, $high, $plot->bottom, $plot->top)
                    : self::scale($lineup, $plot->bottom, $plot->top);
            $marks[] = new Stroke(
                [[$plot->left, $plot->bottom + 2.0, $plot->right, $plot->bottom + 2.0]],
                Ink::Hair,
                1.0,
            );
            $marks = [...$marks, ...self::drawn($lineup, $plot, $scale, $facet->own)];
        }

        return self::scene($facets[0]->lineup, $width, $height, $marks);
    }

    public function stack(Lineup $lineup, float $width, float $height): Scene
    {
        $stacked = Stacked::of($lineup);
        $plot = new PlotArea(self::EDGE, $width - self::EDGE, 10.0, $height - 8.0, $lineup->from, $lineup->to);
        $scale = StackComposer::scale($stacked, $lineup, $plot->bottom, $plot->top);
        $marks = array_map(
            static fn(Group $layer): Group => new Group('layer', array_map(self::coarse(...), $layer->marks)),
            (new StackPainter($lineup, $plot, $scale, $stacked))->marks(),
        );

        return self::scene($lineup, $width, $height, $marks);
    }

    public function scatter(Scattered $scatter, float $width, float $height): Scene
    {
        $points = $scatter->points;
        $along = self::span(array_column($points, 'x'), self::EDGE + 4.0, $width - self::EDGE - 4.0);
        $up = self::span(array_column($points, 'y'), $height - 14.0, 14.0);
        [$x, $y] = $scatter->cut;
        $marks = [];
        if (!is_nan($x)) {
            $marks[] = new Stroke([[$along->at($x), 6.0, $along->at($x), $height - 6.0]], Ink::Median, 1.0, [4.0, 3.0]);
        }
        if (!is_nan($y)) {
            $marks[] = new Stroke([[8.0, $up->at($y), $width - 8.0, $up->at($y)]], Ink::Median, 1.0, [4.0, 3.0]);
        }
        usort($points, static fn($a, $b): int => $a->line->hue > 0 <=> $b->line->hue > 0);
        foreach (array_slice($points, -self::MOST_DOTS) as $point) {
            $radius = $point->line->hue > 0 ? 5.0 : 3.6;
            $marks[] = new Dot($along->at($point->x), $up->at($point->y), $radius, Ink::of($point->line, Ink::Peer));
        }

        return self::scene(Lineup::of($scatter->vertical), $width, $height, $marks);
    }

    /** Its bars without words, from one value to the other. */
    public function contributions(Contributed $contributed, float $width, float $height): Scene
    {
        $lanes = ContributionLanes::of($contributed);
        $along = ContributionsComposer::scale($lanes->path($contributed), self::EDGE, $width - self::EDGE);
        $rows = array_slice($contributed->rows, 0, self::MOST_BARS);
        $each = ($height - 16.0) / max(1, count($rows));
        $value = $contributed->result->before;
        $marks = [];
        foreach ($rows as $n => $row) {
            [$a, $b] = [$along->at($value), $along->at($value + $row->change)];
            $ink = ContributionsPainter::ink($contributed, $row);
            $marks[] = new Box(min($a, $b), 8.0 + $n * $each, max(1.0, abs($b - $a)), $each * 0.7, $ink);
            $value += $row->change;
        }

        return self::scene(Lineup::of($contributed->comparison), $width, $height, $marks);
    }

    /** Its first rows, those in focus before all others. */
    public function sparks(SparkTable $table, float $width, float $height): Scene
    {
        $rows = array_merge(...array_values($table->groups));
        usort($rows, static fn(SparkRow $a, SparkRow $b): int => $b->line->hue > 0 <=> $a->line->hue > 0);
        $cell = SparksComposer::cell($table);
        $h = ($height - 12.0) / self::MOST_ROWS;
        $marks = [];
        foreach (array_slice($rows, 0, self::MOST_ROWS) as $n => $row) {
            $y = 6.0 + $n * $h;
            $ink = Ink::of($row->line, Ink::Quiet);
            $type = Type::text(12, $row->line->hue > 0 ? 700 : 400);
            $name = Words::fitting($this->measure, $row->line->name, $type, $width * 0.36);
            $marks[] = Words::plain(self::EDGE, $y + $h / 2 + 4.0, $name, $type, $ink);
            $marks[] = new Placed(
                $width * 0.42,
                $y,
                array_map(self::coarse(...), $cell->marks($row->line, $width * 0.36, $h)),
            );
            $value = $table->comparison->format($row->line->latest());
            $marks[] = Words::plain($width - self::EDGE, $y + $h / 2 + 4.0, $value, $type, $ink, 'end');
        }

        return self::scene(Lineup::of($table->comparison), $width, $height, $marks);
    }

    /**
     * Quiet lines, then those in focus.
     *
     * @param Line|null $own that a panel is about, told apart even where it is quiet
     * @return list<Mark>
     */
    private static function drawn(Lineup $lineup, PlotArea $plot, Scale $scale, ?Line $own = null): array
    {
        $lines = $lineup->present();
        $quiet = array_values(
            array_filter($lines, static fn(Line $l): bool => $l->hue === 0 && $l->key !== $own?->key),
        );
        $every = max(1, (int) ceil(count($quiet) / ($own === null ? self::MOST_LINES : self::MOST_ROWS)));
        $marks = [];
        foreach ($quiet as $n => $line) {
            $pieces = $n % $every === 0 ? Pieces::of($line->values, $plot, $scale, $line->absent) : [];
            if ($pieces !== []) {
                $quietly = $line->role === LineRole::Outside ? Ink::Hair : Ink::Peer;
                $marks[] = new Stroke(self::thinned($pieces), Ink::of($line, $quietly), 1.1, [], self::GRAIN);
            }
        }
        $told = $lineup->focus();
        if ($own !== null && $own->hue === 0) {
            $told[] = $own;
        }
        foreach ($told as $line) {
            $pieces = Pieces::of($line->values, $plot, $scale, $line->absent);
            $thick = $own === null ? 2.4 : 1.6;
            $dash = $line->dashed ? [4.0, 3.0] : [];
            $marks[] = new Stroke($pieces, Ink::of($line, Ink::Text), $line->dashed ? 1.4 : $thick, $dash, self::GRAIN);
        }

        return $marks;
    }

    /**
     * Every second point where points are nearer than two pixels.
     *
     * @param list<list<float>> $pieces
     * @return list<list<float>>
     */
    private static function thinned(array $pieces): array
    {
        return array_map(static function (array $piece): array {
            $count = count($piece);
            if ($count < 12 || ($piece[$count - 2] - $piece[0]) / ($count / 2) > 2.5) {
                return $piece;
            }
            $kept = [];
            for ($i = 0; $i < $count; $i += 4) {
                array_push($kept, $piece[$i], $piece[$i + 1]);
            }

            return [...$kept, $piece[$count - 2], $piece[$count - 1]];
        }, $pieces);
    }

    private static function coarse(Mark $mark): Mark
    {
        return $mark instanceof Stroke
            ? new Stroke($mark->pieces, $mark->ink, $mark->width, $mark->dash, self::GRAIN)
            : $mark;
    }

    private static function scale(Lineup $lineup, float $bottom, float $top): Scale
    {
        [$low, $high] = $lineup->extremes();
        if ($low > $high) {
            return new Scale(0.0, 1.0, $bottom, $top);
        }
        // The first place is at the top.
        return $lineup->unit->isRank()
            ? new Scale($high + 0.5, 0.5, $bottom, $top)
            : self::span([$low, $high], $bottom, $top);
    }

    /** @param list<float> $values */
    private static function span(array $values, float $atLow, float $atHigh): Scale
    {
        [$low, $high] = $values === [] ? [0.0, 1.0] : [min($values), max($values)];

        return $low < $high
            ? new Scale($low, $high, $atLow, $atHigh)
            : new Scale($low - 1.0, $high + 1.0, $atLow, $atHigh);
    }

    /** @param list<Mark> $marks */
    private static function scene(Lineup $of, float $width, float $height, array $marks, ?PlotArea $plot = null): Scene
    {
        return new Scene($width, $height, $marks, $plot, $of->comparison->measure->name, Summary::of($of));
    }
}
