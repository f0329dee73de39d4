<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Data\Numerals;
use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\SameResult;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\ScatterPoint;
use DuskRail\Rail\Explanation;
use DuskRail\Statistics\StraightLine;

/** The Scatter view: points cut into four corners, with paths, sizes and straight fits where they are wanted. */
final readonly class ScatterComposer
{
    /** Pixels from one point of a curve to the next. */
    private const STEP = 6.0;

    /** Among more points than this hardly a name finds a place; those in focus have theirs. */
    private const NAME_ALL = 150;

    /** The title of the vertical axis is above it. */
    private const TOP = 36.0;

    public function __construct(private TextMeasure $measure) {}

    public function compose(Scattered $scatter, float $width, float $height): Scene
    {
        $narrow = $width < 560;
        $type = Type::text($narrow ? 12.5 : 13.5);
        $axes = new Axes($this->measure);
        $bottom = $height - 48.0;
        [$xs, $ys] = self::values($scatter);
        $up = self::scale($ys, $bottom, self::TOP);
        $ticks = Ticks::on($up, max(2, (int) (($bottom - self::TOP) / 62)));
        $left = $axes->room($ticks, $type);
        $along = self::scale($xs, $left + 8.0, $width - 26.0);
        $plot = new PlotArea($left, $width - 18.0, self::TOP, $bottom, 0, 1);
        $funnel = self::funnelCurves($scatter, $along, $up, $plot);
        $obstacles = [
            ...$this->obstacles($scatter, $along, $up),
            ...self::alongCurves($funnel),
            ...$this->cuts($scatter, $along, $up, $plot),
        ];
        $hues = self::groupHues($scatter);

        return new Scene(
            $width,
            $height,
            [
                $this->corners($scatter, $plot, $along, $up),
                ...self::sameResult($scatter, $along, $plot),
                $axes->values($ticks, $up, $plot, $type),
                $this->horizontalAxis($scatter, $along, $plot, $type),
                $this->titles($scatter, $plot, $type),
                ...$this->funnel($scatter, $up, $plot, $funnel),
                ...$this->fits($scatter, $along, $up, $plot, $hues),
                ...$this->points($scatter, $along, $up, $hues),
                $this->cornerNames($scatter, $plot),
                ...$this->labels($scatter, $along, $up, $plot, $obstacles, $hues),
            ],
            $plot,
            "{$scatter->vertical->measure->name} against {$scatter->horizontal->measure->name}",
            self::summary($scatter),
            $up,
        );
    }

    /**
     * A panel for each group on common scales, all other points faint behind.
     *
     * @return list<Scene> rows of panels
     *
     * @throws InvalidStudy when it is not groups that it is to be split by
     */
    public function panels(Scattered $scatter, float $width): array
    {
        $part = $scatter->vertical->study->part(PanelsPart::class);
        $groups = [];
        foreach ($scatter->points as $point) {
            $groups[$point->line->group][] = $point;
        }
        if ($part->by !== 'group' || count($groups) < 2) {
            throw InvalidStudy::because(
                'Scatter can be split by group only' .
                    (count($groups) < 2 ? ' (and there is only one group)' : '') .
                    '. Use one chart, or one panel per group.',
            );
        }
        ksort($groups);
        $columns = max(1, min($part->columns > 0 ? $part->columns : 3, count($groups), (int) floor($width / 200.0)));
        [$xs, $ys] = self::values($scatter);
        $type = Type::text(12);
        $axes = new Axes($this->measure);
        $room = $axes->room(Ticks::on(self::scale($ys, 100.0, 0.0), 4), $type);
        $inner = ($width - $room - 18.0 * ($columns - 1) - 4.0) / $columns;
        $height = round(min(300.0, max(120.0, $inner * 0.8)));
        $up = self::scale($ys, 26.0 + $height, 26.0);
        $along = self::scale($xs, 6.0, $inner - 6.0);
        $plot = new PlotArea(0.0, $inner, 26.0, 26.0 + $height, 0, 1);
        $rows = [];
        foreach (array_chunk($groups, $columns, true) as $row) {
            $marks = [];
            foreach (array_keys($row) as $i => $group) {
                $marks[] = new Placed($room + $i * ($inner + 18.0), 0.0, [
                    new Group(
                        'panel',
                        [
                            $this->corners($scatter, $plot, $along, $up),
                            $axes->values(Ticks::on($up, max(3, (int) ($height / 40))), $up, $plot, $type, $i === 0),
                            $this->horizontalAxis($scatter, $along, $plot, $type),
                            new Group(
                                'behind',
                                array_map(
                                    static fn(ScatterPoint $p): Dot => new Dot(
                                        $along->at($p->x),
                                        $up->at($p->y),
                                        3.5,
                                        Ink::Hair,
                                    ),
                                    $scatter->points,
                                ),
                            ),
                            ...$this->points($scatter, $along, $up, [], $row[$group]),
                            new Group('heading', [
                                Words::plain(
                                    0.0,
                                    15.0,
                                    $group === '' ? 'Without a group' : (string) $group,
                                    Type::text(13.5, 700),
                                    Ink::Text,
                                ),
                            ]),
                        ],
                        [
                            'key' => "g:{$group}",
                            'line' => '',
                            'name' => (string) $group,
                            'step' => '0',
                            'from' => '0',
                            'width' => (string) round($inner, 1),
                            'top' => '26',
                            'bottom' => (string) (26.0 + $height),
                            'hue' => '0',
                        ],
                    ),
                ]);
            }
            $rows[] = new Scene($width, $height + 26.0 + 52.0, $marks);
        }

        return $rows;
    }

    /** @return array{list<float>, list<float>} */
    private static function values(Scattered $scatter): array
    {
        $xs = $ys = [];
        foreach ($scatter->points as $point) {
            foreach ($point->path === [] ? [[$point->x, $point->y]] : $point->path as [$x, $y]) {
                $xs[] = $x;
                $ys[] = $y;
            }
        }

        return [$xs, $ys];
    }

    /** @param list<float> $values */
    private static function scale(array $values, float $atLow, float $atHigh): Scale
    {
        if ($values === []) {
            return new Scale(0.0, 1.0, $atLow, $atHigh);
        }
        [$low, $high] = [min($values), max($values)];
        $spare = $high > $low ? ($high - $low) * 0.07 : (abs($low) ?: 1.0) * 0.1;
        // Where the values come near zero, the axis shows it.
        $from = $low >= 0.0 && $low <= $high * Comparison::NEAR_ZERO ? 0.0 : $low - $spare;

        return new Scale($from, $high + $spare, $atLow, $atHigh);
    }

    private function horizontalAxis(Scattered $scatter, Scale $along, PlotArea $plot, Type $type): Group
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
    private function corners(Scattered $scatter, PlotArea $plot, Scale $along, Scale $up): Group
    {
        [$cutX, $cutY] = $scatter->cut;
        $x = is_nan($cutX) ? NAN : $along->at($cutX);
        $y = is_nan($cutY) ? NAN : $up->at($cutY);
        $marks = [];
        $good = $scatter->goodCorner();
        if ($good !== null && $x > $plot->left && $x < $plot->right && $y > $plot->top && $y < $plot->bottom) {
            [$from, $to] = $good % 2 === 0 ? [$plot->left, $x] : [$x, $plot->right];
            [$top, $floor] = $good < 2 ? [$plot->top, $y] : [$y, $plot->bottom];
            $marks[] = new Group('good-corner', [new Box($from, $top, $to - $from, $floor - $top, Ink::Tint)]);
        }
        if ($x > $plot->left && $x < $plot->right) {
            $marks[] = new Stroke([[$x, $plot->top, $x, $plot->bottom]], Ink::Median, 1.2, [5.0, 4.0]);
        }
        if ($y > $plot->top && $y < $plot->bottom) {
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
        if ($x > $plot->left && $x < $plot->right) {
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
    private static function sameResult(Scattered $scatter, Scale $along, PlotArea $plot): array
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
    private static function funnelCurves(Scattered $scatter, Scale $along, Scale $up, PlotArea $plot): array
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
    private function funnel(Scattered $scatter, Scale $up, PlotArea $plot, array $curves): array
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

    /**
     * Boxes along curves, for names to keep off.
     *
     * @param list<list<float>> $curves
     * @return list<array{float, float, float, float}>
     */
    private static function alongCurves(array $curves): array
    {
        $boxes = [];
        foreach ($curves as $curve) {
            for ($i = 0; $i + 3 < count($curve); $i += 2) {
                [$y, $next] = [$curve[$i + 1], $curve[$i + 3]];
                $boxes[] = [$curve[$i], min($y, $next) - 1.0, $curve[$i + 2], max($y, $next) + 1.0];
            }
        }

        return $boxes;
    }

    /**
     * The lines that cut the axes, with what is written on them, for names to keep off.
     *
     * @return list<array{float, float, float, float}>
     */
    private function cuts(Scattered $scatter, Scale $along, Scale $up, PlotArea $plot): array
    {
        $boxes = [];
        $type = Type::text(12.5);
        [$cutX, $cutY] = $scatter->cut;
        [$x, $y] = [is_nan($cutX) ? NAN : $along->at($cutX), is_nan($cutY) ? NAN : $up->at($cutY)];
        if ($y > $plot->top && $y < $plot->bottom) {
            $width = $this->measure->width(self::cutName($scatter) . $scatter->vertical->format($cutY), $type);
            $boxes[] = [$plot->right - 6.0 - $width, $y - 18.0, $plot->right, $y];
            $boxes[] = [$plot->left, $y - 0.6, $plot->right, $y + 0.6];
        }
        if ($x > $plot->left && $x < $plot->right) {
            $width = $this->measure->width(self::cutName($scatter) . $scatter->horizontal->format($cutX), $type);
            $boxes[] = [$x, $plot->bottom - 19.0, $x + 7.0 + $width, $plot->bottom];
            $boxes[] = [$x - 0.6, $plot->top, $x + 0.6, $plot->bottom];
        }

        return $boxes;
    }

    private static function cutName(Scattered $scatter): string
    {
        $name = $scatter->vertical->study->part(ScatterPart::class)->line;

        return $name === 'value' ? '' : ($name === 'weighted' ? 'weighted mean ' : "{$name} ");
    }

    /** What is upwards, over its axis, and what the size of the points is. */
    private function titles(Scattered $scatter, PlotArea $plot, Type $type): Group
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

    private function cornerNames(Scattered $scatter, PlotArea $plot): Group
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
    private function points(Scattered $scatter, Scale $along, Scale $up, array $hues, ?array $some = null): array
    {
        $groups = [];
        foreach (self::back($some ?? $scatter->points) as $point) {
            $hue = $point->line->hue > 0 ? $point->line->hue : $hues[$point->line->group] ?? 0;
            $ink = $hue > 0 ? Ink::focus($hue) : Ink::Peer;
            $radius = self::radius($point, $scatter);
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

    /** The area, not the width, is in proportion. */
    private static function radius(ScatterPoint $point, Scattered $scatter): float
    {
        return $scatter->vertical->study->part(ScatterPart::class)->size !== ''
            ? 3.0 + 15.0 * sqrt($point->size)
            : ($point->line->hue > 0
                ? 7.0
                : 5.0);
    }

    /**
     * Straight lines through the groups, each with its equation; faintly what they would be with those that are
     * left out.
     *
     * @param array<string, int> $hues
     * @return list<Group>
     */
    private function fits(Scattered $scatter, Scale $along, Scale $up, PlotArea $plot, array $hues): array
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

    /**
     * Names beside their points, those in focus first; a name that finds no free place is left out.
     *
     * @param list<array{float, float, float, float}> $taken left, top, right, bottom of what is there already
     * @param array<string, int> $hues
     * @return list<Group>
     */
    private function labels(
        Scattered $scatter,
        Scale $along,
        Scale $up,
        PlotArea $plot,
        array $taken,
        array $hues,
    ): array {
        $labels = [];
        $y = $plot->top + 16.0;
        foreach ($scatter->fits as $group => $fit) {
            $sign = $fit->slope < 0 ? '−' : '+';
            $equation =
                ($group === '' ? '' : "{$group}: ") .
                'y = ' .
                Explanation::number((float) sprintf('%.3g', $fit->intercept)) .
                " {$sign} " .
                Explanation::number((float) sprintf('%.3g', abs($fit->slope))) .
                ' x, R² ' .
                Numerals::text($fit->rSquared, 2);
            $type = Type::text(13, 600);
            $labels[] = new Group('equation', [
                Words::plain($plot->left + 8.0, $y, $equation, $type, Ink::focus($hues[$group] ?? 1)),
            ]);
            $taken[] = [$plot->left, $y - 14.0, $plot->left + 12.0 + $this->measure->width($equation, $type), $y + 5.0];
            $y += 18.0;
        }
        $many = count($scatter->points) > self::NAME_ALL;
        foreach (array_reverse(self::back($scatter->points)) as $point) {
            $focus = $point->line->hue > 0;
            if ($many && !$focus) {
                continue;
            }
            $type = Type::text($focus ? 14.5 : 12.5, $focus ? 700 : 400);
            $name = [$this->measure->width($point->line->name, $type), $type->size];
            $spot = [$along->at($point->x), $up->at($point->y), self::radius($point, $scatter)];
            $place = $this->free($name, $spot, $plot, $taken, $focus);
            if ($place === null) {
                continue;
            }
            [$x, $base] = $place;
            $taken[] = [
                $x - 2.0,
                $base - $type->size,
                $x + $this->measure->width($point->line->name, $type) + 2.0,
                $base + 4.0,
            ];
            $labels[] = new Group(
                'end-label',
                [
                    Words::plain(
                        $x,
                        $base,
                        $point->line->name,
                        $type,
                        $focus ? Ink::focus($point->line->hue) : Ink::Quiet,
                    ),
                ],
                ['line' => $point->line->key],
            );
        }

        return $labels;
    }

    /**
     * @param array{float, float} $name width and height of the words
     * @param array{float, float, float} $spot middle and radius of the point
     * @param list<array{float, float, float, float}> $taken
     * @param bool $must whether it must be somewhere
     * @return array{float, float}|null left edge and base line; of a name that must be somewhere the first place
     *     within the plot
     */
    private function free(array $name, array $spot, PlotArea $plot, array $taken, bool $must): ?array
    {
        [$width, $size] = $name;
        [$x, $y, $radius] = $spot;
        $first = null;
        $aside = $radius + 5.0;
        $slant = $radius * 0.7 + 3.0;
        foreach (
            [
                [$aside, 4.5],
                [-$width - $aside, 4.5],
                [-$width / 2, -$aside],
                [-$width / 2, $size + $radius + 3.0],
                [$slant, -$slant],
                [-$width - $slant, -$slant],
                [$slant, $size + $slant - 3.0],
                [-$width - $slant, $size + $slant - 3.0],
            ] as [$dx, $dy]
        ) {
            [$left, $base] = [$x + $dx, $y + $dy];
            if (
                $left < $plot->left ||
                $left + $width > $plot->right ||
                $base - $size < $plot->top - 10.0 ||
                $base > $plot->bottom
            ) {
                continue;
            }
            $first ??= [$left, $base];
            $clear = true;
            foreach ($taken as [$l, $t, $r, $b]) {
                $clear = $clear && ($left > $r || $left + $width < $l || $base - $size > $b || $base + 3.0 < $t);
            }
            if ($clear) {
                return [$left, $base];
            }
        }

        return $must ? $first : null;
    }

    /** @return list<array{float, float, float, float}> the points themselves */
    private function obstacles(Scattered $scatter, Scale $along, Scale $up): array
    {
        return array_map(static function (ScatterPoint $p) use ($scatter, $along, $up): array {
            // The square within the circle and a little more: a name may touch the rim of a large one.
            $half = self::radius($p, $scatter) * 0.8 + 1.0;

            return [
                $along->at($p->x) - $half,
                $up->at($p->y) - $half,
                $along->at($p->x) + $half,
                $up->at($p->y) + $half,
            ];
        }, $scatter->points);
    }

    /**
     * Quiet ones behind, large ones behind small ones, the first in focus on top.
     *
     * @param list<ScatterPoint> $points
     * @return list<ScatterPoint>
     */
    private static function back(array $points): array
    {
        usort(
            $points,
            static fn(ScatterPoint $a, ScatterPoint $b): int => [$a->line->hue > 0, -$a->size, -$a->line->hue] <=> [
                $b->line->hue > 0,
                -$b->size,
                -$b->line->hue,
            ],
        );

        return $points;
    }

    /** @return array<string, int> hue by group, where groups have lines of their own */
    private static function groupHues(Scattered $scatter): array
    {
        $hues = [];
        $taken = array_map(static fn(ScatterPoint $p): int => $p->line->hue, $scatter->points);
        $free = array_values(array_diff(range(1, 6), $taken));
        foreach (array_keys($scatter->fits) as $group) {
            $hues[$group] = $free[count($hues)] ?? 1;
        }

        return $hues;
    }

    private static function summary(Scattered $scatter): string
    {
        $text =
            count($scatter->points) .
            " points, {$scatter->when}: {$scatter->vertical->measure->name} upwards, " .
            "{$scatter->horizontal->measure->name} along.";
        foreach ($scatter->points as $point) {
            if ($point->line->hue > 0) {
                $text .= " {$point->line->name}: {$scatter->vertical->format(
                    $point->y,
                )} and {$scatter->horizontal->format($point->x)}.";
            }
        }

        return $text;
    }
}
