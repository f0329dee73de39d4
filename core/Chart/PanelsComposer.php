<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Study\Comparison;
use DuskRail\Study\Facet;
use DuskRail\Study\Facets;
use DuskRail\Study\LineState;
use DuskRail\Study\Lineup;
use DuskRail\Study\Parts\AxisPart;
use DuskRail\Study\Parts\PanelsPart;
use DuskRail\Study\Scattered;
use DuskRail\Study\Stacked;
use DuskRail\Study\View;

/** Small pictures in rows, on one scale unless it was wished otherwise, with every other series faint behind each. */
final readonly class PanelsComposer
{
    /** Marks that all panels on one scale share. */
    private const BEHIND = 'behind';

    private const GAPS = ['narrow' => 8.0, 'usual' => 18.0, 'wide' => 32.0];

    /** A panel much narrower than this shows nothing. */
    private const NARROWEST = 170.0;

    public function __construct(private TextMeasure $measure) {}

    /**
     * @return list<Scene> one for each row of panels
     */
    public function rows(Comparison $comparison, float $width): array
    {
        if ($comparison->study->view === View::Scatter) {
            return (new ScatterComposer($this->measure))->panels(Scattered::of($comparison), $width);
        }
        $facets = Facets::of($comparison);
        $part = $comparison->study->panels;
        if ($facets === []) {
            return [];
        }
        $gap = self::GAPS[$part->gap];
        $columns = $this->columns($part, count($facets), $width, $gap);
        $type = Type::text(12);
        $common = $this->commonScale($facets, $part);
        $room = $part->axis === 'range' ? 2.0 : $this->room($facets, $common, $comparison->study->axis, $type);
        $every = $part->axis === 'every' || ($part->axis === 'edge' && $common === null);
        $inner = ($width - ($every ? $columns * $room : $room) - $gap * ($columns - 1) - 4.0) / $columns;
        $height = round(max(80.0, min(260.0, $inner * 0.62)));
        $size = ['half' => $this->half($facets, $part), 'inner' => $inner, 'height' => $height, 'room' => $room, 'gap' => $gap, 'every' => $every];
        $painting = $common !== null && $part->behind && in_array($part->by, ['entity', 'group'], true) && $comparison->study->view === View::Lines;
        $rows = [];
        foreach (array_chunk($facets, $columns) as $number => $row) {
            $last = ($number + 1) * $columns >= count($facets);
            $rows[] = $this->row($comparison, $row, $number, $common, $size, $width, $last, $painting);
        }

        return $rows;
    }

    /** All rows in one picture, to hand over. */
    public function sheet(Comparison $comparison, float $width): Scene
    {
        $marks = $shared = [];
        $y = 0.0;
        foreach ($this->rows($comparison, $width) as $row) {
            $marks[] = new Placed(0, $y, $row->marks);
            $shared += $row->shared;
            $y += $row->height;
        }

        return new Scene($width, $y, $marks, null, $comparison->measure->name, Summary::of(Lineup::of($comparison)), null, $shared);
    }

    /** @return int<1, max> */
    private function columns(PanelsPart $part, int $count, float $width, float $gap): int
    {
        $fitting = max(1, (int) floor(($width + $gap) / (self::NARROWEST + $gap)));
        if ($part->columns > 0) {
            return max(1, min($part->columns, $count, max($fitting, (int) floor($width / 90.0))));
        }
        // Few panels are large; many fill the width, three to six in a row.
        $wanted = match (true) {
            $count <= 3 => $count,
            $count <= 8 => (int) ceil($count / 2),
            $count <= 12 => 4,
            default => 5,
        };

        return max(1, min($wanted, $fitting));
    }

    /**
     * The lowest and highest of all panels; null when each has its own scale.
     *
     * @param non-empty-list<Facet> $facets
     * @return array{float, float}|null
     */
    private function commonScale(array $facets, PanelsPart $part): ?array
    {
        if ($part->scale !== 'same' || $part->by === 'measure') {
            return null;
        }
        if ($facets[0]->lineup->comparison->study->view === View::Stack) {
            $scales = array_map(static fn(Facet $f): Scale => StackComposer::scale(Stacked::of($f->lineup), $f->lineup, 1.0, 0.0), $facets);

            return [0.0, max(array_map(static fn(Scale $s): float => $s->high, $scales))];
        }
        $extremes = array_map(static fn(Facet $f): array => $f->lineup->extremes(), $facets);

        return [min(array_column($extremes, 0)), max(array_column($extremes, 1))];
    }

    /**
     * @param non-empty-list<Facet> $facets
     * @param array{float, float}|null $common
     */
    private function room(array $facets, ?array $common, AxisPart $axis, Type $type): float
    {
        $rooms = [0.0];
        foreach ($common === null ? $facets : [$facets[0]] as $facet) {
            $scale = $this->scale($facet, null, $common, $axis, 100.0, 0.0);
            $rooms[] = (new Axes($this->measure))->room(Ticks::on($scale, 4), $type);
        }

        return max($rooms);
    }

    /**
     * Half the span that every panel has, where they share it.
     *
     * @param non-empty-list<Facet> $facets
     */
    private function half(array $facets, PanelsPart $part): ?float
    {
        if ($part->scale !== 'span' || $part->by === 'measure') {
            return null;
        }
        $spans = array_map(static function (Facet $facet): float {
            [$low, $high] = $facet->lineup->extremes();

            return $high > $low ? $high - $low : 0.0;
        }, $facets);

        return max($spans) > 0.0 ? max($spans) * 0.54 : 1.0;
    }

    /** @param array{float, float}|null $common */
    private function scale(Facet $facet, ?float $half, ?array $common, AxisPart $axis, float $bottom, float $top): Scale
    {
        if ($facet->lineup->comparison->study->view === View::Stack) {
            return $common === null ? StackComposer::scale(Stacked::of($facet->lineup), $facet->lineup, $bottom, $top) : new Scale(0.0, $common[1], $bottom, $top);
        }
        [$low, $high] = $common ?? $facet->lineup->extremes();
        if ($facet->lineup->unit->text() === 'rank' && $low <= $high) {
            return new Scale($high + 0.5, 0.5, $bottom, $top);
        }
        if ($half !== null && $low <= $high) {
            $middle = ($low + $high) / 2;

            return new Scale($middle - $half, $middle + $half, $bottom, $top);
        }

        return Scale::wanted($low, $high, $axis, false, $bottom, $top);
    }

    /**
     * @param non-empty-list<Facet> $facets of the row
     * @param array{float, float}|null $common
     * @param array{half: float|null, inner: float, height: float, room: float, gap: float, every: bool} $size
     */
    private function row(Comparison $comparison, array $facets, int $number, ?array $common, array $size, float $width, bool $last, bool $behind): Scene
    {
        $part = $comparison->study->panels;
        $head = $part->heading === 'above' ? 24.0 : 6.0;
        $foot = ($part->heading === 'below' ? 20.0 : 0.0) + ($last || $part->axis === 'every' || $part->by === 'measure' ? 26.0 : 8.0);
        $bottom = $head + $size['height'];
        $marks = $shared = [];
        $axes = new Axes($this->measure);
        $type = Type::text(12);
        foreach ($facets as $i => $facet) {
            $scale = $this->scale($facet, $size['half'], $common, $comparison->study->axis, $bottom, $head);
            $left = $size['every'] ? $i * ($size['inner'] + $size['room'] + $size['gap']) + $size['room'] : $size['room'] + $i * ($size['inner'] + $size['gap']);
            $plot = new PlotArea(0.0, $size['inner'], $head, $bottom, $facet->lineup->from, $facet->lineup->to);
            $ticks = Ticks::on($scale, max(3, (int) ($size['height'] / 34)));
            $worded = $part->axis !== 'range' && ($size['every'] || $i === 0);
            if ($behind && $shared === [] && $number === 0) {
                $shared[self::BEHIND] = $this->behind($comparison, $plot, $scale);
            }
            $inside = [
                $this->ground($part, $plot, $number + $i, $head),
                $axes->values($ticks, $scale, $plot, $type, $worded),
                ...($behind ? [new Reused(self::BEHIND)] : []),
                ...$this->picture($facet, $plot, $scale),
                ...($last || $part->axis === 'every' || $part->by === 'measure' ? [$axes->places($this->timeTicks($facet->lineup, $plot, $type), $plot, $type)] : []),
                $this->heading($facet, $part, $plot, $bottom + $foot, $scale),
            ];
            $marks[] = new Placed($left, 0.0, [new Group('panel', $inside, [
                'key' => $facet->key, 'line' => $facet->own->key ?? $facet->key, 'name' => $facet->name, 'step' => (string) round($plot->step(), 4), 'from' => (string) $plot->from,
                'width' => (string) round($size['inner'], 1), 'top' => (string) $head, 'bottom' => (string) $bottom, 'hue' => (string) ($facet->own->hue ?? 0),
            ])]);
        }

        return new Scene($width, $bottom + $foot + ($size['gap'] - 8.0), $marks, null, '', '', null, $shared);
    }

    /** @return list<Group> every line that takes part, faintly */
    private function behind(Comparison $comparison, PlotArea $plot, Scale $scale): array
    {
        $strokes = [];
        foreach ($comparison->present() as $line) {
            $strokes[] = new Stroke(Pieces::of($line->values, $plot, $scale, $line->absent), Ink::Hair, 1.0, [], 0.5);
        }

        return [new Group('behind', $strokes)];
    }

    /** @return list<Group> */
    private function picture(Facet $facet, PlotArea $plot, Scale $scale): array
    {
        if ($facet->lineup->comparison->study->view === View::Stack) {
            return (new StackPainter($facet->lineup, $plot, $scale))->marks();
        }
        $painter = new LinesPainter($facet->lineup, $plot, $scale, 0.62);
        $mean = is_nan($facet->mean) ? [] : [new Group('mean', [new Stroke([[$plot->left, $scale->at($facet->mean), $plot->right, $scale->at($facet->mean)]], Ink::Median, 1.2, [4.0, 3.0])])];
        $own = $facet->own;
        if ($own !== null && $own->state === LineState::Peer && count($facet->lineup->lines) === 1) {
            return [...$mean, new Group('series', [...$painter->strokes($own, Ink::Sheet, 3.6), ...$painter->strokes($own, Ink::of($own, Ink::Text), 1.8)], LinesPainter::facts($own))];
        }

        return [$painter->band(), ...$mean, ...$painter->lines()];
    }

    private function ground(PanelsPart $part, PlotArea $plot, int $place, float $head): Group
    {
        $box = static fn(Ink $ink, float $opacity): Box => new Box($plot->left - 4.0, $plot->top - 3.0, $plot->right - $plot->left + 8.0, $plot->bottom - $plot->top + 6.0, $ink, 3.0, $opacity);

        return new Group('ground', match ($part->ground) {
            'framed' => [$box(Ink::Hair, 1.0), new Box($plot->left - 3.0, $plot->top - 2.0, $plot->right - $plot->left + 6.0, $plot->bottom - $plot->top + 4.0, Ink::Sheet, 2.0)],
            'striped' => $place % 2 === 0 ? [$box(Ink::Tint, 0.7)] : [],
            default => [],
        });
    }

    private function heading(Facet $facet, PanelsPart $part, PlotArea $plot, float $floor, Scale $scale): Group
    {
        if ($part->heading === 'off') {
            return new Group('heading', []);
        }
        $y = $part->heading === 'above' ? 15.0 : $floor - 4.0;
        $ink = $facet->own === null ? Ink::Text : Ink::of($facet->own, Ink::Text);
        $latest = $facet->latest();
        $value = is_nan($latest) ? '' : $facet->lineup->format($latest);
        $type = Type::text(13.5, 700);
        $range = $part->axis === 'range' ? $facet->lineup->format(min($scale->low, $scale->high)).' – '.$facet->lineup->format(max($scale->low, $scale->high)) : '';
        $room = $plot->right - $plot->left - $this->measure->width("{$value} {$range}", $type) - 8.0;
        $name = Words::fitting($this->measure, $facet->name, $type, $room, 3);

        return new Group('heading', [
            Words::plain($plot->left, $y, $name, $type, $ink),
            ...($value === '' && $range === '' ? [] : [new Group('panel-value', [Words::plain($plot->right, $y, trim("{$value} {$range}"), Type::text(13.5, 600), $range === '' ? $ink : Ink::Quiet, 'end')])]),
        ]);
    }

    /** @return list<TimeTick> */
    private function timeTicks(Lineup $lineup, PlotArea $plot, Type $type): array
    {
        $ticks = TimeTicks::along($lineup->axis, $plot->from, $plot->to, $plot->step(), fn(string $text): float => $this->measure->width($text, $type) + 6.0);

        // The year that is said below would need a second row; in small pictures it goes with the first only.
        return array_map(static fn(TimeTick $tick): TimeTick => new TimeTick($tick->edge, $tick->centre, $tick->label), $ticks);
    }
}
