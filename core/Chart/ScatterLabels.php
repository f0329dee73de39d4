<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Data\Numerals;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\ScatterPoint;
use DuskRail\Rail\Explanation;

/** The names beside the points of a scatter, and the equations of its fits. */
final readonly class ScatterLabels
{
    /** Among more points than this hardly a name finds a place; those in focus have theirs. */
    private const NAME_ALL = 150;

    public function __construct(private TextMeasure $measure) {}

    /**
     * Names beside their points, those in focus first; a name that finds no free place is left out.
     *
     * @param list<array{float, float, float, float}> $taken left, top, right, bottom of what is there already
     * @param array<string, int> $hues
     * @return list<Group>
     */
    public function labels(
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
        foreach (array_reverse(ScatterGeometry::back($scatter->points)) as $point) {
            $focus = $point->line->hue > 0;
            if ($many && !$focus) {
                continue;
            }
            $type = Type::text($focus ? 14.5 : 12.5, $focus ? 700 : 400);
            $name = [$this->measure->width($point->line->name, $type), $type->size];
            $spot = [$along->at($point->x), $up->at($point->y), ScatterGeometry::radius($point, $scatter)];
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
     * @return array{float, float}|null left edge and base line; of a name that must be somewhere the place
     *     that covers least of what is there
     */
    private function free(array $name, array $spot, PlotArea $plot, array $taken, bool $must): ?array
    {
        [$width, $size] = $name;
        [$x, $y, $radius] = $spot;
        $best = null;
        $least = INF;
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
            $covered = 0.0;
            foreach ($taken as [$l, $t, $r, $b]) {
                $across = min($left + $width, $r) - max($left, $l);
                $down = min($base + 3.0, $b) - max($base - $size, $t);
                $covered += $across >= 0.0 && $down >= 0.0 ? max($across * $down, 1e-9) : 0.0;
            }
            if ($covered < $least) {
                [$best, $least] = [[$left, $base], $covered];
            }
            if ($least === 0.0) {
                return $best;
            }
        }

        return $must ? $best : null;
    }

    /** @return list<array{float, float, float, float}> the points themselves */
    public function obstacles(Scattered $scatter, Scale $along, Scale $up): array
    {
        return array_map(static function (ScatterPoint $p) use ($scatter, $along, $up): array {
            // The square within the circle and a little more: a name may touch the rim of a large one.
            $half = ScatterGeometry::radius($p, $scatter) * 0.8 + 1.0;

            return [
                $along->at($p->x) - $half,
                $up->at($p->y) - $half,
                $along->at($p->x) + $half,
                $up->at($p->y) + $half,
            ];
        }, $scatter->points);
    }

    /**
     * Boxes along curves, for names to keep off.
     *
     * @param list<list<float>> $curves
     * @return list<array{float, float, float, float}>
     */
    public static function alongCurves(array $curves): array
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
    public function cuts(Scattered $scatter, Scale $along, Scale $up, PlotArea $plot): array
    {
        $boxes = [];
        $type = Type::text(12.5);
        [$cutX, $cutY] = $scatter->cut;
        [$x, $y] = [is_nan($cutX) ? NAN : $along->at($cutX), is_nan($cutY) ? NAN : $up->at($cutY)];
        if ($y > $plot->top && $y < $plot->bottom) {
            $width = $this->measure->width(
                ScatterPainter::cutName($scatter) . $scatter->vertical->format($cutY),
                $type,
            );
            $boxes[] = [$plot->right - 6.0 - $width, $y - 18.0, $plot->right, $y];
            $boxes[] = [$plot->left, $y - 0.6, $plot->right, $y + 0.6];
        }
        if ($x > $plot->left && $x < $plot->right) {
            $width = $this->measure->width(
                ScatterPainter::cutName($scatter) . $scatter->horizontal->format($cutX),
                $type,
            );
            $boxes[] = [$x, $plot->bottom - 19.0, $x + 7.0 + $width, $plot->bottom];
            $boxes[] = [$x - 0.6, $plot->top, $x + 0.6, $plot->bottom];
        }

        return $boxes;
    }
}
