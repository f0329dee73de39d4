<?php

declare(strict_types=1);

namespace DuskRail\Chart;

use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\StackPart;
use DuskRail\Outcome\Layer;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Stacked;

/** Values written within the layers of a stack, where they have room, and the total on top. */
final readonly class LayerValues
{
    private const HEIGHT = 13.0;

    /** Pixels between the values of two periods. */
    private const APART = 16.0;

    private StackPart $part;

    public function __construct(
        private TextMeasure $measure,
        private Lineup $lineup,
        private Stacked $stacked,
        private PlotArea $plot,
        private Scale $scale,
    ) {
        $this->part = $lineup->comparison->study->part(StackPart::class);
    }

    /** @return list<Group> */
    public function groups(): array
    {
        $groups = [];
        foreach ($this->positions() as $position) {
            foreach ($this->stacked->layers as $layer) {
                $value = $this->within($layer, $position);
                $groups = $value === null ? $groups : [...$groups, $value];
            }
            $total = $this->part->total && $this->part->form !== 'shares' ? $this->total($position) : null;
            $groups = $total === null ? $groups : [...$groups, $total];
        }

        return $groups;
    }

    /** @return list<int> the last position that has a total, and before it as many as have room beside each other */
    private function positions(): array
    {
        if ($this->part->values === 'none' || !$this->stacked->adds) {
            return [];
        }
        $widest = 0.0;
        $present = [];
        for ($i = $this->lineup->from; $i <= $this->lineup->to; $i++) {
            if (!is_nan($this->stacked->totals[$i])) {
                $present[] = $i;
                $text = $this->lineup->format($this->stacked->totals[$i]);
                $widest = max($widest, $this->measure->width($text, self::type()));
            }
        }
        if ($this->part->values === 'last') {
            return array_slice($present, -1);
        }
        $step = max(1, (int) ceil(($widest + self::APART) / max(0.1, $this->plot->step())));

        $last = (int) end($present);
        // The last one is moved into the plot.
        $edge = min($this->plot->x($last), $this->plot->right - $widest / 2) - $widest - self::APART / 2;

        return array_values(
            array_filter(
                $present,
                fn(int $i): bool => ($last - $i) % $step === 0 && ($i === $last || $this->plot->x($i) <= $edge),
            ),
        );
    }

    private function within(Layer $layer, int $position): ?Group
    {
        $value = $layer->line->values[$position];
        $total = $this->stacked->totals[$position];
        if (is_nan($value) || is_nan($layer->upper[$position])) {
            return null;
        }
        $text =
            $this->part->form === 'shares'
                ? Numerals::text($total > 0.0 ? (100.0 * $value) / $total : 0.0, 0) . ' %'
                : $this->lineup->format($value);
        [$x, $width] = $this->place($text, $position);
        $top = max($this->edge($layer->upper, $x), $this->edge($layer->upper, $x + $width));
        $bottom = min($this->edge($layer->lower, $x), $this->edge($layer->lower, $x + $width));
        if (is_nan($top) || is_nan($bottom) || $bottom - $top < self::HEIGHT) {
            return null;
        }
        $isOnColour = $this->part->form !== 'lines' && $layer->line->hue > 0;

        return $this->written($text, $x, ($top + $bottom) / 2 + 4.5, $isOnColour ? Ink::Sheet : Ink::Text, 500);
    }

    private function total(int $position): ?Group
    {
        $text = $this->lineup->format($this->stacked->totals[$position]);
        [$x, $width] = $this->place($text, $position);
        $y = $this->scale->at($this->stacked->totals[$position]);
        // Over the highest that the edge is below the words.
        for ($i = $this->plot->from; $i <= $this->plot->to; $i++) {
            $at = $this->plot->x($i);
            $edge = $at >= $x - 2.0 && $at <= $x + $width + 2.0 ? $this->scale->at($this->stacked->totals[$i]) : NAN;
            $y = $edge < $y ? $edge : $y;
        }

        return is_nan($y) || $y < self::HEIGHT ? null : $this->written($text, $x, $y - 5.0, Ink::Text, 700);
    }

    private function written(string $text, float $x, float $y, Ink $ink, int $weight): Group
    {
        return new Group('layer-value', [Words::plain($x, $y, $text, Type::text(12, $weight), $ink)]);
    }

    /** @return array{float, float} left edge and width of a text at a position, within the plot */
    private function place(string $text, int $position): array
    {
        $width = $this->measure->width($text, self::type());
        $left = $this->plot->x($position) - $width / 2;

        return [max($this->plot->left + 2.0, min($left, $this->plot->right - $width - 2.0)), $width];
    }

    /**
     * How high an edge is at a place along the plot.
     *
     * @param list<float> $values of the edge
     */
    private function edge(array $values, float $x): float
    {
        $at = $this->plot->from + ($x - $this->plot->x($this->plot->from)) / max(1e-9, $this->plot->step());
        $before = max($this->plot->from, min($this->plot->to, (int) floor($at)));
        $after = min($this->plot->to, $before + 1);
        $share = max(0.0, min(1.0, $at - $before));

        return (1.0 - $share) * $this->scale->at($values[$before]) + $share * $this->scale->at($values[$after]);
    }

    private static function type(): Type
    {
        return Type::text(12, 700);
    }
}
