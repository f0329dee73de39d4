<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Document\Parts\StackPart;
use DuskRail\Outcome\Layer;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Stacked;

/** Draws the layers of a stack within a plot. */
final readonly class StackPainter
{
    public Stacked $stacked;

    private string $form;

    public function __construct(Lineup $lineup, private PlotArea $plot, private Scale $scale, ?Stacked $stacked = null)
    {
        $this->stacked = $stacked ?? Stacked::of($lineup);
        $this->form = $lineup->comparison->study->part(StackPart::class)->form;
    }

    /** @return list<Group> from the bottom up */
    public function marks(): array
    {
        $groups = [];
        foreach ($this->stacked->layers as $i => $layer) {
            $groups[] = $this->layer($layer, $i);
        }

        return $groups;
    }

    private function layer(Layer $layer, int $number): Group
    {
        $line = $layer->line;
        $ink = $line->hue > 0 ? Ink::focus($line->hue) : Ink::Median;
        $upper = Pieces::of($layer->upper, $this->plot, $this->scale);
        $marks = [];
        if ($this->form !== 'lines') {
            $lower = Pieces::of($layer->lower, $this->plot, $this->scale);
            $outlines = array_map(BandPainter::between(...), $upper, $lower);
            $strength = match (true) {
                $this->form === 'through' => $line->hue > 0 ? 0.35 : 0.12,
                $line->hue > 0 => 0.8,
                // Neighbours differ, so that an edge can be seen where no colour parts them.
                default => $number % 2 === 0 ? 0.42 : 0.26,
            };
            $marks[] = new Area($outlines, $ink, $strength);
        }
        $through = $this->form === 'through' || $this->form === 'lines';
        $marks[] = new Stroke($upper, $through ? $ink : Ink::Sheet, $through ? ($line->hue > 0 ? 2.4 : 1.2) : 1.0);

        $points = LinesPainter::pointsOf($layer->upper, $this->plot, $this->scale, $this->plot->places());

        return new Group('series', $marks, LinesPainter::facts($line), points: $points);
    }
}
