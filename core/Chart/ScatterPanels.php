<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\InvalidStudy;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Outcome\Scattered;
use DuskRail\Outcome\ScatterPoint;

/** A scatter split into a panel for each group, on common scales. */
final readonly class ScatterPanels
{
    public function __construct(private TextMeasure $measure) {}

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
        [$xs, $ys] = ScatterGeometry::values($scatter);
        $type = Type::text(12);
        $axes = new Axes($this->measure);
        $painter = new ScatterPainter($this->measure);
        $room = $axes->room(Ticks::on(ScatterGeometry::scale($ys, 100.0, 0.0), 4), $type);
        $inner = ($width - $room - 18.0 * ($columns - 1) - 4.0) / $columns;
        $height = round(min(300.0, max(120.0, $inner * 0.8)));
        $up = ScatterGeometry::scale($ys, 26.0 + $height, 26.0);
        $along = ScatterGeometry::scale($xs, 6.0, $inner - 6.0);
        $plot = new PlotArea(0.0, $inner, 26.0, 26.0 + $height, 0, 1);
        $rows = [];
        foreach (array_chunk($groups, $columns, true) as $row) {
            $marks = [];
            foreach (array_keys($row) as $i => $group) {
                $marks[] = new Placed($room + $i * ($inner + 18.0), 0.0, [
                    new Group(
                        'panel',
                        [
                            $painter->corners($scatter, $plot, $along, $up),
                            $axes->values(Ticks::on($up, max(3, (int) ($height / 40))), $up, $plot, $type, $i === 0),
                            $painter->horizontalAxis($scatter, $along, $plot, $type),
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
                            ...$painter->points($scatter, $along, $up, [], $row[$group]),
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
}
