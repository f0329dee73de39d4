<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\StackPart;
use DuskRail\Outcome\Layer;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Stacked;

/** The Stack view: the parts of a whole, named at the right with their shares. */
final readonly class StackComposer
{
    private const LABEL_HEIGHT = 19.0;

    public function __construct(private TextMeasure $measure) {}

    public function compose(Lineup $lineup, float $width, float $height): Scene
    {
        $narrow = $width < 560;
        $axisType = Type::text($narrow ? 12.5 : 13.5);
        $axes = new Axes($this->measure);
        $stacked = Stacked::of($lineup);
        $scale = self::scale($stacked, $lineup, $height - 46.0, 14.0);
        $ticks = Ticks::on($scale, max(2, (int) (($scale->atLow - $scale->atHigh) / 62)));
        $labels = $this->labels(
            $stacked,
            $lineup,
            Type::text($narrow ? 13 : 14.5, 400),
            $width * ($narrow ? 0.34 : 0.3),
        );
        $left = $axes->room($ticks, $axisType);
        $right = $width - ($labels === [] ? 18.0 : 26.0 + max(array_column($labels, 'width')));
        $plot = new PlotArea(
            $left,
            max($left + 40.0, $right),
            $scale->atHigh,
            $scale->atLow,
            $lineup->from,
            $lineup->to,
        );

        return new Scene(
            $width,
            $height,
            [
                $axes->values($ticks, $scale, $plot, $axisType),
                $axes->places(
                    TimeTicks::along(
                        $lineup->axis,
                        $plot->from,
                        $plot->to,
                        $plot->step(),
                        fn(string $text): float => $this->measure->width($text, $axisType),
                    ),
                    $plot,
                    $axisType,
                ),
                ...(new StackPainter($lineup, $plot, $scale, $stacked))->marks(),
                ...(new LayerValues($this->measure, $lineup, $stacked, $plot, $scale))->groups(),
                ...$this->placed($labels, $plot, $scale, $height, $stacked->adds),
            ],
            $plot,
            $lineup->comparison->measure->name,
            Summary::of($lineup),
            $scale,
        );
    }

    public static function scale(Stacked $stacked, Lineup $lineup, float $bottom, float $top): Scale
    {
        $part = $lineup->comparison->study->part(StackPart::class);
        if ($part->form === 'shares') {
            return new Scale(0.0, 100.0, $bottom, $top);
        }
        $low = 0.0;
        $high = 0.0;
        foreach ($stacked->layers as $layer) {
            for ($i = $lineup->from; $i <= $lineup->to; $i++) {
                $value = $layer->upper[$i];
                $high = $value > $high ? $value : $high;
                $low = $value < $low ? $value : $low;
            }
        }

        // Areas tell by their size, so they start at zero.
        return $low < 0.0
            ? Scale::vertical([$low, $high], $bottom, $top)
            : new Scale(0.0, $high > 0.0 ? $high * ($stacked->adds && $part->total ? 1.06 : 1.02) : 1.0, $bottom, $top);
    }

    /**
     * @return list<array{layer: Layer, at: int, name: string, value: string, width: float, type: Type}> with the
     *     position that each is of
     */
    private function labels(Stacked $stacked, Lineup $lineup, Type $type, float $room): array
    {
        $labels = [];
        $layers =
            count($stacked->layers) > 14
                ? array_filter(
                    $stacked->layers,
                    static fn(Layer $l): bool => $l->line->hue > 0 || $l->line->key === Stacked::REST,
                )
                : $stacked->layers;
        $adds = $stacked->adds && $stacked->layers !== [];
        $end = $adds ? Line::lastOf($stacked->totals, $lineup->from, $lineup->to) : null;
        foreach ($layers as $layer) {
            // Shares are of one period for all; a layer that ended before it says when.
            $at = $layer->last($lineup->from, $end ?? $lineup->to);
            if ($at === null) {
                continue;
            }
            $total = $stacked->totals[$at];
            $value = match (true) {
                $end !== null && $at < $end => "to {$lineup->when($layer->line, $at)}",
                $stacked->adds && $total > 0.0
                    => Numerals::text(($layer->line->values[$at] / $total) * 100.0, 0) . ' %',
                default => $lineup->format($layer->line->values[$at]),
            };
            $own = $layer->line->hue > 0 ? Type::text($type->size, 700) : $type;
            $name = $layer->line->name;
            $valueWidth = $this->measure->width(" {$value}", Type::text($type->size, 600));
            $name = Words::fitting($this->measure, $name, $own, $room - $valueWidth);
            $labels[] = [
                'layer' => $layer,
                'at' => $at,
                'name' => $name,
                'value' => $value,
                'width' => $this->measure->width($name, $own) + $valueWidth,
                'type' => $own,
            ];
        }

        return $labels;
    }

    /**
     * @param list<array{layer: Layer, at: int, name: string, value: string, width: float, type: Type}> $labels
     * @return list<Group>
     */
    private function placed(array $labels, PlotArea $plot, Scale $scale, float $height, bool $adds): array
    {
        // Of parts that are on each other the middle is pointed at, of those that overlap the edge.
        $middles = array_map(static function (array $label) use ($scale, $adds): float {
            $at = $label['at'];
            $upper = $scale->at($label['layer']->upper[$at]);

            return $adds ? ($scale->at($label['layer']->lower[$at]) + $upper) / 2 : $upper;
        }, $labels);
        $places = LabelPlacement::column($middles, self::LABEL_HEIGHT, 0.0, $height - 26.0);
        $groups = [];
        foreach ($labels as $i => $label) {
            $line = $label['layer']->line;
            $ink = $line->hue > 0 ? Ink::focus($line->hue) : Ink::Quiet;
            $x = $plot->right + 20.0;
            $groups[] = new Group(
                'end-label',
                [
                    new Stroke(
                        [[$plot->x($label['at']) + 2.0, $middles[$i], $x - 4.0, $places[$i]]],
                        Ink::Median,
                        1.0,
                    ),
                    Words::runs(
                        $x,
                        $places[$i] + 5.0,
                        [
                            ['text' => $label['name'], 'ink' => $ink, 'weight' => $label['type']->weight],
                            ['text' => " {$label['value']}", 'ink' => $ink, 'weight' => 600],
                        ],
                        $label['type'],
                    ),
                ],
                ['line' => $line->key],
            );
        }

        return $groups;
    }
}
