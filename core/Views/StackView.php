<?php

declare(strict_types=1);

namespace DuskRail\Views;

use DuskRail\Chart\MiniatureComposer;
use DuskRail\Chart\PanelsComposer;
use DuskRail\Chart\PlotArea;
use DuskRail\Chart\Scene;
use DuskRail\Chart\StackComposer;
use DuskRail\Chart\StackInPanel;
use DuskRail\Chart\TextMeasure;
use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\StackPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Facets;
use DuskRail\Outcome\Layer;
use DuskRail\Outcome\Line;
use DuskRail\Outcome\Lineup;
use DuskRail\Outcome\Stacked;
use DuskRail\Outcome\ValueTable;
use DuskRail\Words\AxisName;
use DuskRail\Words\Headline;
use DuskRail\Words\Readout;

/** The parts of a whole on top of each other. */
final readonly class StackView extends View
{
    public function name(): string
    {
        return 'stack';
    }

    public function title(): string
    {
        return 'Stack';
    }

    public function about(): string
    {
        return 'The parts of a total. Only values that can be summed.';
    }

    public function parts(): array
    {
        return [StackPart::class, PanelsPart::class];
    }

    public function defaultSplit(): string
    {
        return 'group';
    }

    public function tools(): array
    {
        return ['base', 'layers'];
    }

    public function readsAlongLines(): bool
    {
        return true;
    }

    public function time(Comparison $comparison, ?Scene $picture, TextMeasure $measure, array $size): ?PlotArea
    {
        return $picture === null ? null : $picture->plot?->enlarged($picture->zoom);
    }

    /** What is stacked need not be a line of the study: the rest is one. */
    public function readout(Comparison $comparison, string $line): ?array
    {
        $lineup = $this->lineup($comparison);
        $stacked = Stacked::of($lineup);
        $own = parent::readout($comparison, $line);
        foreach ($own === null ? $stacked->layers : [] as $layer) {
            if ($layer->line->key === $line) {
                $own = Readout::along($lineup, $layer->line);
            }
        }

        return $own === null ? null : self::within($stacked, $lineup, $line, $own);
    }

    public function readouts(Comparison $comparison): array
    {
        $lineup = $this->lineup($comparison);
        $stacked = Stacked::of($lineup);
        $all = parent::readouts($comparison);
        foreach ($all as $key => $own) {
            $all[$key] = self::within($stacked, $lineup, (string) $key, $own);
        }

        return $all;
    }

    /**
     * With what a layer is drawn at: its sum with those below it, and its share of the total.
     *
     * @param array{name: string, points: array<int, array{string, string, string}>} $told
     * @return array{name: string, points: array<int, array{string, string, string}>}
     */
    private static function within(Stacked $stacked, Lineup $lineup, string $key, array $told): array
    {
        $keys = array_map(static fn(Layer $layer): string => $layer->line->key, $stacked->layers);
        $at = array_search($key, $keys, true);
        if (!$stacked->adds || !is_int($at)) {
            return $told;
        }
        foreach ($told['points'] as $position => [$when, $value, $rest]) {
            $total = $stacked->totals[$position];
            if (is_nan($total) || $total <= 0.0) {
                continue;
            }
            $share = (100.0 * $stacked->layers[$at]->line->values[$position]) / $total;
            $words = [
                Numerals::text($share, 0) . " % of {$lineup->format($total)}",
                $at === 0 ? '' : "{$lineup->format($stacked->subtotal($key, $position))} with those below",
                $rest,
            ];
            $told['points'][$position] = [$when, $value, implode(' · ', array_filter($words))];
        }

        return $told;
    }

    public function facets(Comparison $comparison): array
    {
        return Facets::of($comparison);
    }

    protected function rows(Comparison $comparison, TextMeasure $measure, float $width, float $height): array
    {
        $facets = $this->facets($comparison);

        return (new PanelsComposer($measure))->rows($comparison, $facets, new StackInPanel(), [$width, $height]);
    }

    /** Shares of the total where those are drawn. */
    public function values(Comparison $comparison): ValueTable
    {
        $table = parent::values($comparison);
        if ($comparison->study->part(StackPart::class)->form !== 'shares') {
            return $table;
        }
        $names = array_map(static fn(Line $line): string => $line->name, $comparison->present());
        $totals = Stacked::of($this->lineup($comparison))->totals;
        $rows = [];
        foreach ($table->rows as $i => $row) {
            $total = $totals[$comparison->from + $i] ?? NAN;
            $shares = array_map(
                static fn(mixed $v): float => is_float($v) && $total > 0.0 ? 100.0 * ($v / $total) : NAN,
                array_slice($row, 1, count($names)),
            );
            $rows[] = [$row[0], ...$shares];
        }

        return new ValueTable(['Period', ...$names], $rows, ['Share of the total, %', ...$table->notes]);
    }

    public function miniature(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return $this->isSplit($comparison->study)
            ? parent::miniature($comparison, $measure, $width, $height)
            : (new MiniatureComposer($measure))->stack($this->lineup($comparison), $width, $height);
    }

    protected function whole(Comparison $comparison, TextMeasure $measure, float $width, float $height): Scene
    {
        return (new StackComposer($measure))->compose($this->lineup($comparison), $width, $height);
    }

    protected function headline(Comparison $comparison): string
    {
        return $this->isSplit($comparison->study)
            ? Headline::ofLines($this->lineup($comparison))
            : Headline::ofParts($comparison);
    }

    protected function subtitle(Comparison $comparison): string
    {
        $shares = $comparison->study->part(StackPart::class)->form === 'shares';

        return AxisName::of($comparison, $shares ? '% of total' : '');
    }
}
