<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Outcome\SameResult;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\ScatterPoint;
use DuskRail\Statistics\StraightLine;

/** What is drawn of a scatter: axes and titles, corners, limits of chance, points and fits. */
final readonly class ScatterPainter
{
    /** Pixels from one point of a curve to the next. */
    private const STEP = 6.0;

    public function __construct(private TextMeasure $measure) {}

    public function horizontalAxis(Scattered $scatter, Scale $along, PlotArea $plot, Type $type): Group
    {
        $ticks = Ticks::on($along, max(2, (int) (($plot->right - $plot->left) / 110)));
        $marks = [];
        foreach ($ticks->values as $value) {
            $x = round($along->at($value)) + 0.5;
            $marks[] = new Stroke([[$x, $plot->top, $x, $plot->bottom]], Ink::Hair, 1.0);
            $atEdge = $x > $plot->right - 18.0;
            $marks[] = Words::plain(
                $atEdge ? $plot->right : $x,
                $plot->bottom + 18.0,
                $ticks->label($value),
                $type,
                Ink::Quiet,
                $atEdge ? 'end' : 'middle',
            );
        }
        $unit = $scatter->horizontal->unit();
        $marks[] = Words::plain(
            $plot->right,
            $plot->bottom + 38.0,
            $scatter->horizontal->measure->name . ($unit === '' ? '' : ", {$unit}") . ' →',
            Type::text($type->size, 600),
            Ink::Quiet,
            'end',
        );

        return new Group('x-axis', $marks);
    }

    /** The lines that cut the axes, and the good corner tinted. */
    public function corners(Scattered $scatter, PlotArea $plot, Scale $along, Scale $up): Group
    {
        [$cutX, $cutY] = $scatter->cut;
        $x = is_nan($cutX) ? NAN : $along->at($cutX);
        $y = is_nan($cutY) ? NAN : $up->at($cutY);
        $marks = [];
        $good = $scatter->goodCorner();
        $hasX = $x > $plot->left && $x < $plot->right;
        $hasY = $y > $plot->top && $y < $plot->bottom;
        if ($good !== null && $hasX && $hasY) {
            [$from, $to] = $good % 2 === 0 ? [$plot->left, $x] : [$x, $plot->right];
            [$top, $floor] = $good < 2 ? [$plot->top, $y] : [$y, $plot->bottom];
            $marks[] = new Group('good-corner', [new Box($from, $top, $to - $from, $floor - $top, Ink::Tint)]);
        }
        if ($hasX) {
            $marks[] = new Stroke([[$x, $plot->top, $x, $plot->bottom]], Ink::Median, 1.2, [5.0, 4.0]);
        }
        if ($hasY) {
            $marks[] = new Stroke([[$plot->left, $y, $plot->right, $y]], Ink::Median, 1.2, [5.0, 4.0]);
            $marks[] = Words::plain(
                $plot->right - 4.0,
                $y - 5.0,
                self::cutName($scatter) . $scatter->vertical->format($cutY),
                Type::text(12.5),
                Ink::Quiet,
                'end',
            );
        }
        if ($hasX) {
            $marks[] = Words::plain(
                $x + 5.0,
                $plot->bottom - 6.0,
                self::cutName($scatter) . $scatter->horizontal->format($cutX),
                Type::text(12.5),
                Ink::Quiet,
            );
        }

        return new Group('corners', $marks);
    }

    /** @return list<Group> the strip in which others come to the same as the first in focus */
    public static function sameResult(Scattered $scatter, Scale $along, PlotArea $plot): array
    {
        $same = SameResult::of($scatter);
        $within = $scatter->vertical->study->part(ScatterPart::class)->likeness->within ?? 0.0;
        if ($same === null) {
            return [];
        }
        $left = max($plot->left, $along->at($same->subject->x - $within));
        $right = min($plot->right, $along->at($same->subject->x + $within));

        return [
            new Group('same-result', [
                new Box($left, $plot->top, max(0.0, $right - $left), $plot->bottom - $plot->top, Ink::Tint),
            ]),
        ];
    }

    /**
     * The limits of chance around the ratio of sums by size, as far as they are within the plot.
     *
     * @return list<list<float>> x and y in turn, of each of ChanceLimits::TAILS
     */
    public static function funnelCurves(Scattered $scatter, Scale $along, Scale $up, PlotArea $plot): array
    {
        $funnel = $scatter->vertical->study->part(ScatterPart::class)->likeness->funnel ? $scatter->funnel() : null;
        if ($funnel === null) {
            return [];
        }
        [$chance, $at, $times] = $funnel;
        $curves = [[], [], [], []];
        for ($x = $plot->left + 2.0; $x <= $plot->right; $x += self::STEP) {
            $size = $along->value($x);
            foreach ($size <= 0.0 ? [] : $chance->limits($at, $size * $times) as $n => $limit) {
                $y = is_nan($limit) ? NAN : $up->at($limit);
                if (!is_nan($y) && $y >= $plot->top && $y <= $plot->bottom) {
                    array_push($curves[$n], $x, $y);
                }
            }
        }

        return array_values($curves);
    }

    /**
     * @param list<list<float>> $curves
     * @return list<Group> the ratio of sums, and the curves with what they are
     */
    public function funnel(Scattered $scatter, Scale $up, PlotArea $plot, array $curves): array
    {
        $funnel = $curves === [] ? null : $scatter->funnel();
        if ($funnel === null) {
            return [];
        }
        $marks = [];
        foreach ($curves as $n => $curve) {
            if (count($curve) >= 4) {
                $isOuter = $n === 0 || $n === 3;
                $marks[] = new Stroke([$curve], Ink::Median, $isOuter ? 1.4 : 1.0, $isOuter ? [] : [4.0, 3.0]);
                $marks[] = Words::plain(
                    $plot->right - 3.0,
                    $curve[count($curve) - 1] + ($n < 2 ? 12.0 : -4.0),
                    $isOuter ? '99.8 %' : '95 %',
                    Type::text(11.5),
                    Ink::Quiet,
                    'end',
                );
            }
        }
        $middle = $up->at($funnel[0]->expected[$funnel[1]]);
        $marks[] = new Stroke([[$plot->left, $middle, $plot->right, $middle]], Ink::Median, 1.2);

        return [new Group('funnel', $marks)];
    }

    public static function cutName(Scattered $scatter): string
    {
        $name = $scatter->vertical->study->part(ScatterPart::class)->line;

        return $name === 'value' ? '' : ($name === 'weighted' ? 'weighted mean ' : "{$name} ");
    }

    /** What is upwards, over its axis, and what the size of the points is. */
    public function titles(Scattered $scatter, PlotArea $plot, Type $type): Group
    {
        $bold = Type::text($type->size, 600);
        $unit = $scatter->vertical->unit();
        $words = '↑ ' . $scatter->vertical->measure->name . ($unit === '' ? '' : ", {$unit}");
        $marks = [
            Words::plain(0.0, 12.0, Words::fitting($this->measure, $words, $bold, $plot->right), $bold, Ink::Quiet),
        ];
        $size = $scatter->vertical->study->part(ScatterPart::class)->size;
        $by = $scatter->vertical->data->measures()[$size]->name ?? '';
        if ($by !== '') {
            $y = $plot->bottom + 38.0;
            $marks[] = new Dot($plot->left + 4.0, $y - 4.0, 3.0, Ink::Peer);
            $marks[] = new Dot($plot->left + 15.0, $y - 4.0, 5.5, Ink::Peer);
            $marks[] = Words::plain($plot->left + 26.0, $y, "Size: {$by}", $type, Ink::Quiet);
        }

        return new Group('titles', $marks);
    }

    public function cornerNames(Scattered $scatter, PlotArea $plot): Group
    {
        $marks = [];
        $type = Type::text(13, 600);
        foreach ($scatter->vertical->study->part(ScatterPart::class)->corners as $corner => $name) {
            if ($name !== '') {
                $right = $corner % 2 === 1;
                $marks[] = Words::plain(
                    $right ? $plot->right - 4.0 : $plot->left + 6.0,
                    $corner < 2 ? $plot->top - 6.0 : $plot->bottom - 22.0,
                    $name,
                    $type,
                    Ink::Quiet,
                    $right ? 'end' : 'start',
                );
            }
        }

        return new Group('corner-names', $marks);
    }

    /**
     * @param array<string, int> $hues by group
     * @param list<ScatterPoint>|null $some those that are drawn, or all
     * @return list<Group>
     */
    public function points(Scattered $scatter, Scale $along, Scale $up, array $hues, ?array $some = null): array
    {
        $groups = [];
        foreach (ScatterGeometry::back($some ?? $scatter->points) as $point) {
            $hue = $point->line->hue > 0 ? $point->line->hue : $hues[$point->line->group] ?? 0;
            $ink = $hue > 0 ? Ink::focus($hue) : Ink::Peer;
            $radius = ScatterGeometry::radius($point, $scatter);
            $places = $point->path === [] ? [[$point->x, $point->y]] : $point->path;
            $spots = array_map(static fn(array $at): array => [$along->at($at[0]), $up->at($at[1])], $places);
            $marks = [];
            if ($point->path !== []) {
                $marks[] = new Stroke(
                    [array_merge(...$spots)],
                    $hue > 0 ? $ink : Ink::Peer,
                    $point->line->hue > 0 ? 2.4 : 1.1,
                );
            }
            if ($point->line->hue > 0) {
                $marks[] = new Dot($along->at($point->x), $up->at($point->y), $radius + 2.0, Ink::Sheet);
            }
            $marks[] = new Dot(
                $along->at($point->x),
                $up->at($point->y),
                $radius,
                $ink,
                $hues !== [] || $scatter->vertical->study->part(ScatterPart::class)->size !== '' ? 0.75 : 1.0,
            );
            $groups[] = new Group(
                'series',
                $marks,
                LinesPainter::facts($point->line),
                points: static fn(): array => [array_column($spots, 0), array_column($spots, 1)],
            );
        }

        return $groups;
    }

    /**
     * Straight lines through the groups, each with its equation; faintly what they would be with those that are
     * left out.
     *
     * @param array<string, int> $hues
     * @return list<Group>
     */
    public function fits(Scattered $scatter, Scale $along, Scale $up, PlotArea $plot, array $hues): array
    {
        $groups = [];
        foreach ($scatter->fits as $group => $fit) {
            $ink = Ink::focus($hues[$group] ?? 1);
            $marks = [];
            $all = $scatter->fitsWithAll[$group] ?? null;
            if ($all !== null && $scatter->leftOut !== [] && $all->slope !== $fit->slope) {
                $marks[] = new Stroke(self::through($all, $along, $up, $plot), $ink, 1.2, [2.0, 4.0]);
            }
            $marks[] = new Stroke(self::through($fit, $along, $up, $plot), $ink, 2.0);
            $groups[] = new Group('fit', $marks);
        }

        return $groups;
    }

    /** @return list<list<float>> the part of a line that is within the plot */
    private static function through(StraightLine $fit, Scale $along, Scale $up, PlotArea $plot): array
    {
        $points = [];
        for ($i = 0; $i <= 60; $i++) {
            $x = $plot->left + (($plot->right - $plot->left) * $i) / 60;
            $y = $up->at($fit->intercept + $fit->slope * $along->value($x));
            if ($y >= $plot->top && $y <= $plot->bottom) {
                array_push($points, $x, $y);
            }
        }

        return $points === [] ? [] : [$points];
    }
}
